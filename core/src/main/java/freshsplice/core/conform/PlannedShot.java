package freshsplice.core.conform;

import freshsplice.core.time.FrameRange;

/**
 * A shot that would be made.
 *
 * @param code   its code
 * @param camera name of its camera
 * @param frames its own frame numbers for every record frame on which it is seen, half-open
 * @param clip  what it is made from
 * @param scene  code of the scene that its name says; empty where it says none
 */
public record PlannedShot(String code, String camera, FrameRange frames, CutClip clip, String scene) {
}
