package freshsplice.server.renders;

import java.io.IOException;

/** A machine that had something to draw is gone: another takes it up. */
public class SeatLost extends IOException {
    private static final long serialVersionUID = 1;
    private final boolean counts;

    /** @param counts whether what it was drawing may be why; not where it said that it leaves */
    public SeatLost(String message, boolean counts) {
        super(message);
        this.counts = counts;
    }

    public boolean counts() {
        return counts;
    }
}
