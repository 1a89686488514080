package freshsplice.core.changes;

import java.util.Locale;

/** What a change asks of its shot, the least first. */
public enum Impact {
    NOTHING,
    /** The new frames lie inside the shot's handles. */
    HANDLES,
    /** The frames are there, the picture of them is not: a new render. */
    RENDER,
    /** Frames beyond the handles: the move must be extended, or made. */
    CAMERA;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    Impact or(Impact other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
