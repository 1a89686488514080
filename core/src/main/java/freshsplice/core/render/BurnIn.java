package freshsplice.core.render;

/**
 * Something that is written into the picture.
 *
 * @param field  what
 * @param corner where
 */
public record BurnIn(Field field, Corner corner) {
    /** What can be written. */
    public enum Field {
        /** Name of the render, shot and version. */
        NAME,
        SHOT,
        VERSION,
        /** The shot's own frame number. */
        FRAME,
        TIMECODE,
        LENS,
        SCENE,
        /** Who asked for it. */
        WHO,
        /** The day it was asked for. */
        DATE,
        /** Words of one's own. */
        TEXT
    }

    /** Where it can stand. */
    public enum Corner {
        TOP_LEFT, TOP, TOP_RIGHT, BOTTOM_LEFT, BOTTOM, BOTTOM_RIGHT;

        public boolean isTop() {
            return this == TOP_LEFT || this == TOP || this == TOP_RIGHT;
        }
    }
}
