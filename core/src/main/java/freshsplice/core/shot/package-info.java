/**
 * Shots: their frames, handles, and how shot frames, action frames and source positions belong together for life.
 * Read {@link freshsplice.core.shot.Shot} first.
 */
package freshsplice.core.shot;
