/**
 * Cameras as a camera assistant knows them: film backs, lenses in millimetres, stops, focus, and where they look.
 * Metres and degrees; y is up, a camera at pan 0 looks along −z. Read {@link freshsplice.core.camera.Optics} first.
 */
package freshsplice.core.camera;
