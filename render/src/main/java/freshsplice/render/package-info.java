/**
 * Pictures of a stage off screen by OpenGL, letters for burn-ins, and movies by ffmpeg. Knows matrices and meshes, no
 * rule of the job: what is drawn where comes baked from the core. Read {@link freshsplice.render.StagePainter} first.
 */
package freshsplice.render;
