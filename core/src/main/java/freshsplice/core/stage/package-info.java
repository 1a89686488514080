/**
 * The set of a scene: items with shapes, colours and keyed movement on the scene's action clock, and the meshes that
 * both the renderer and the browser draw. Metres and degrees, y up. Read {@link freshsplice.core.stage.Stage} first.
 */
package freshsplice.core.stage;
