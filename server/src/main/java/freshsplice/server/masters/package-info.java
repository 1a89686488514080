/**
 * What edits do to the assembled sequence: clips, tracks, sound, markers.
 * Read {@link freshsplice.server.masters.MasterEdits} first.
 */
package freshsplice.server.masters;
