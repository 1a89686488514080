package freshsplice.server.renders;

import freshsplice.render.CannotDraw;
import freshsplice.render.OutputWriter;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/** Ends renders that cannot become better by trying again, each alone and with its reason; the rest is tried again, not for ever. */
@Component
class RenderFailures {
    static final int MOST_TRIES = 3;
    private static final Logger LOG = LoggerFactory.getLogger(RenderFailures.class);

    /** A clip of a render's work. */
    interface Work<T> {
        T run() throws IOException;
    }

    private final RenderTasks tasks;
    private final RenderStates states;
    private final RenderProgress progress;
    private final RenderLog log;
    private final Folders folders;
    private volatile boolean closing;

    RenderFailures(RenderTasks tasks, RenderStates states, RenderProgress progress, RenderLog log, Folders folders) {
        this.folders = folders;
        this.tasks = tasks;
        this.states = states;
        this.progress = progress;
        this.log = log;
    }

    /** From now on what fails does so because the server ends: it is done again at the next start. */
    void close() {
        closing = true;
    }

    boolean isClosing() {
        return closing;
    }

    /**
     * @param tries how often it failed before
     * @param ended what is given back where the render was ended
     * @throws IOException if it is worth another try
     */
    <T> T guard(RenderRow row, int tries, T ended, Work<T> work) throws IOException {
        try {
            return work.run();
        } catch (DataAccessException | TransactionException e) {
            // the database is away: it goes on once that is back
            throw e;
        } catch (OutOfMemoryError e) {
            fail(row, "There is not enough memory to draw it: render it smaller, or start with more (FRESH_SPLICE_MEMORY)", e);
        } catch (CannotDraw e) {
            fail(row, e.getMessage(), e);
        } catch (IOException e) {
            boolean full = isFull(e);
            if (closing || !full && tries + 1 < MOST_TRIES) {
                throw e;
            }
            fail(row, full ? OutputWriter.FULL : e.getMessage(), e);
        } catch (RuntimeException e) {
            fail(row, e.getMessage(), e);
        }
        return ended;
    }

    /** Whether it failed because a disk is full: no machine and no other try makes that better. */
    boolean isFull(IOException e) {
        return isFull(e, Stream.of(folders.frames(), folders.renders()).map(FreeSpace::at).toList());
    }

    /** @param free what the disks that are written to still take */
    static boolean isFull(IOException e, List<OptionalLong> free) {
        boolean said = e.getMessage() != null && (e.getMessage().contains("No space left") || e.getMessage().equals(OutputWriter.FULL));
        return said || free.stream().anyMatch(FreeSpace::isUsedUp);
    }

    private void fail(RenderRow row, String why, Throwable cause) {
        LOG.warn("Render {} failed", row.name, cause);
        log.say(row.id, "failed: " + why);
        states.fail(row.id, why);
        tasks.takeAway(row.id);
        progress.ended(row.id, row.projectId);
    }
}
