package freshsplice.server.steps;

import java.util.function.Supplier;
import org.springframework.dao.ConcurrencyFailureException;

/**
 * Work of one transaction that the database gave up because another held what it needed: both waited for each other, or one waited
 * too long. Nothing of it was written, and no person has to do it again.
 */
public final class TriedAgain {
    private static final int MOST_TRIES = 4;
    private static final long PAUSE_MS = 20;

    private TriedAgain() {
    }

    /** @param work one whole transaction; what it changes outside the database is begun anew with each try */
    public static <T> T onConflict(Supplier<T> work) {
        for (int tries = 1;; tries++) {
            try {
                return work.get();
            } catch (ConcurrencyFailureException e) {
                if (tries == MOST_TRIES) {
                    throw e;
                }
                pause(tries);
            }
        }
    }

    private static void pause(int tries) {
        try {
            // not in step with who it met
            Thread.sleep(PAUSE_MS * tries + Thread.currentThread().getId() % PAUSE_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Stopped while it waited for another transaction", e);
        }
    }
}
