/**
 * Sets, cameras and their keys; movement baked for playing, meshes and shading for drawing.
 * Read {@link freshsplice.server.stages.StageStore} first.
 */
package freshsplice.server.stages;
