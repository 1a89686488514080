/**
 * What edits do to things, cameras and their keys. Read {@link freshsplice.server.stages.CameraEdits} first.
 */
package freshsplice.server.stages;
