package freshsplice.worker;

import java.io.IOException;

/** The server refused something. */
final class Refusal extends IOException {
    private static final long serialVersionUID = 1;
    private static final int CAME_OTHERWISE = 422;
    private static final int GONE = 410;

    private final int status;

    /** @param status as HTTP counts them */
    Refusal(int status, String message) {
        super(message);
        this.status = status;
    }

    /** Whether the seat or the chunk is not this machine's any more. */
    boolean isGone() {
        return status == GONE;
    }

    /** Whether it may be otherwise when it is asked again: the server is in trouble, or what was sent came otherwise. */
    boolean isPassing() {
        return status >= 500 || status == CAME_OTHERWISE;
    }
}
