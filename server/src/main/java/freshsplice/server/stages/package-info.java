/**
 * What edits do to things, cameras and their keys. Read {@link freshsplice.server.stages.StageEdits} first.
 */
package freshsplice.server.stages;
