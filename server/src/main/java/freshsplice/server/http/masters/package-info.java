/**
 * The tracks as the window draws them, and the edits that it asks for.
 * Read {@link freshsplice.server.http.masters.MasterView} first.
 */
package freshsplice.server.http.masters;
