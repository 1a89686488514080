/**
 * Every edit of a master as a type of its own: what it needs, what it is called, and which of the core's edits it is.
 * A new one is a record in the group that it belongs to, and a line in {@link freshsplice.server.masters.edit.MasterEdit}.
 */
package freshsplice.server.masters.edit;
