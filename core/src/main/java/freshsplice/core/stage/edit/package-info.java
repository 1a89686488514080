/**
 * What edits do to the things of a set: each takes one and gives another back. Read
 * {@link freshsplice.core.stage.edit.ItemEdits} first.
 */
package freshsplice.core.stage.edit;
