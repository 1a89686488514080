/**
 * A set, its cameras and their movement as the window draws them.
 * Read {@link freshsplice.server.http.stages.StageController} first.
 */
package freshsplice.server.http.stages;
