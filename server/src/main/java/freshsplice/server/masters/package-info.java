/**
 * What edits do to the assembled sequence: pieces, lanes, sound, marks.
 * Read {@link freshsplice.server.masters.MasterEdits} first.
 */
package freshsplice.server.masters;
