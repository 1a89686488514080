/**
 * Long lists travel as what changed in them since the window last asked.
 * Read {@link freshsplice.server.http.changes.ListChange} first.
 */
package freshsplice.server.http.changes;
