/**
 * The assembled sequence as rows and as the window sees it, and its edits.
 * Read {@link freshsplice.server.masters.MasterStore} first.
 */
package freshsplice.server.masters;
