package freshsplice.render;

import java.io.IOException;
import java.nio.file.NoSuchFileException;

/** A kept frame that is not there or not whole: it is to be drawn again. */
public final class DamagedFrame extends IOException {
    private static final long serialVersionUID = 1L;

    private final long frame;

    DamagedFrame(long frame, Throwable cause) {
        super("The kept frame " + frame + " cannot be read: " + (cause instanceof NoSuchFileException ? "it is not there" : cause.getMessage()), cause);
        this.frame = frame;
    }

    /** Counted from 0. */
    public long frame() {
        return frame;
    }
}
