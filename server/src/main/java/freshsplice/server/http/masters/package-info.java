/**
 * The lanes as the window draws them, and the edits that it asks for.
 * Read {@link freshsplice.server.http.masters.SequenceView} first.
 */
package freshsplice.server.http.masters;
