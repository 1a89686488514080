package freshsplice.server.renders;

import freshsplice.render.CannotDraw;
import freshsplice.render.FilmedMovie;
import freshsplice.render.StagePainter;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.rows.RenderPartRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Draws what waits, the oldest first, on a thread of its own that owns the OpenGL context. The queue is the table: what
 * was being drawn when the application was killed waits again, what was finished stays. A failed render fails alone.
 */
@Component
public class RenderQueue implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(RenderQueue.class);
    private static final long TELL_EVERY_MS = 400;
    private static final long SPARE_BYTES = 200_000_000;

    private final Store store;
    private final DrawingReader reader;
    private final TransactionTemplate transactions;
    private final JdbcTemplate jdbc;
    private final LiveUpdates live;
    private final Folders folders;
    private final Set<Long> stopping = ConcurrentHashMap.newKeySet();
    private final Object bell = new Object();
    private final Thread worker = new Thread(this::work, "renders");
    private volatile boolean closing;

    RenderQueue(Store store, DrawingReader reader, TransactionTemplate transactions, JdbcTemplate jdbc,
                LiveUpdates live, Folders folders) {
        this.store = store;
        this.reader = reader;
        this.transactions = transactions;
        this.jdbc = jdbc;
        this.live = live;
        this.folders = folders;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(50)
    void begin() {
        drawAgain();
        worker.setDaemon(true);
        worker.start();
    }

    /** Looks at the queue again. */
    public void ring() {
        synchronized (bell) {
            bell.notifyAll();
        }
    }

    /** Stops a render that waits or is being drawn; a finished one stays. */
    public void stop(long renderId) {
        int waiting = write("update render set state = 'STOPPED', finished_at = ? where id = ? and state = "
                + "'WAITING'", java.sql.Timestamp.from(Instant.now()), renderId);
        if (waiting == 0) {
            stopping.add(renderId);
        }
        tell(store.get(RenderRow.class, renderId).projectId);
    }

    private void work() {
        StagePainter painter = null;
        while (!closing) {
            try {
                Optional<Long> next = claim();
                if (next.isEmpty()) {
                    synchronized (bell) {
                        bell.wait(2000);
                    }
                    continue;
                }
                if (painter == null) {
                    painter = new StagePainter();
                }
                draw(next.get(), painter);
            } catch (InterruptedException e) {
                break;
            } catch (CannotDraw e) {
                failAll(e.getMessage());
            } catch (RuntimeException e) {
                // the database may be away: what was being drawn is drawn again once it is back
                LOG.warn("The render queue could not go on: {}", e.getMessage());
                pause();
                drawAgain();
            } catch (OutOfMemoryError e) {
                // that render was failed by draw; the next begins with a painter that holds nothing
                close(painter);
                painter = null;
            }
        }
        close(painter);
    }

    private static void close(StagePainter painter) {
        if (painter != null) {
            painter.close();
        }
    }

    /** What was left behind as being drawn waits again. */
    private void drawAgain() {
        try {
            write("update render set state = 'WAITING', frames_done = 0 where state = 'DRAWING'");
        } catch (RuntimeException e) {
            LOG.info("The database is not back yet");
        }
    }

    private Optional<Long> claim() {
        return transactions.execute(status -> {
            var ids = jdbc.queryForList("select id from render where state = 'WAITING' order by id limit 1 for update "
                    + "skip locked", Long.class);
            ids.forEach(id -> jdbc.update("update render set state = 'DRAWING', started_at = ?, frames_done = 0 where "
                    + "id = ?", java.sql.Timestamp.from(Instant.now()), id));
            return ids.stream().findFirst();
        });
    }

    private void draw(long id, StagePainter painter) {
        RenderRow row = store.get(RenderRow.class, id);
        tell(row.projectId);
        try {
            Drawing drawing = reader.read(id);
            String file = row.projectId + "/" + row.name + ".mp4";
            Path target = folders.renders().resolve(file);
            Files.createDirectories(target.getParent());
            checkSpace(target, drawing.movie());
            boolean whole = drawing.movie().draw(painter, target, new Progress(row));
            if (whole) {
                finish(id, file, target, drawing);
            } else if (!closing) {
                end(id, RenderRow.State.STOPPED, null);
            }
        } catch (IOException | RuntimeException e) {
            LOG.warn("Render {} failed", row.name, e);
            end(id, RenderRow.State.FAILED, e.getMessage());
        } catch (OutOfMemoryError e) {
            LOG.error("Render {} ran out of memory", row.name, e);
            end(id, RenderRow.State.FAILED, "There is not enough memory to draw it: render it smaller, or start with more "
                    + "(FRESH_SPLICE_MEMORY)");
            throw e;
        } finally {
            tell(row.projectId);
        }
    }

    /** A movie of plain figures needs under 4 bits a pixel; better said before than an hour in. */
    private static void checkSpace(Path target, FilmedMovie movie) throws IOException {
        long needed = movie.plan().frames() * movie.width() * movie.height() / 2 + SPARE_BYTES;
        OptionalLong free = FreeSpace.at(target.getParent());
        if (free.isPresent() && free.getAsLong() < needed) {
            throw new IOException("The disk has " + free.getAsLong() / 1_000_000 + " MB free and this may need "
                    + needed / 1_000_000 + " MB: free some space, then render again");
        }
    }

    private final class Progress implements java.util.function.LongPredicate {
        private final RenderRow row;
        private long told = System.currentTimeMillis();

        Progress(RenderRow row) {
            this.row = row;
        }

        @Override
        public boolean test(long done) {
            if (closing || stopping.remove(row.id)) {
                return false;
            }
            if (System.currentTimeMillis() - told > TELL_EVERY_MS) {
                told = System.currentTimeMillis();
                write("update render set frames_done = ? where id = ?", done, row.id);
                tell(row.projectId);
            }
            return true;
        }
    }

    private void finish(long id, String file, Path target, Drawing drawing) throws IOException {
        String sum = sha256(target);
        long bytes = Files.size(target);
        transactions.executeWithoutResult(status -> {
            RenderRow row = store.get(RenderRow.class, id);
            row.state = RenderRow.State.DONE;
            row.framesDone = row.frames;
            row.finishedAt = Instant.now();
            row.file = file;
            row.bytes = bytes;
            row.sha256 = sum;
            drawing.fingerprint().parts().forEach((part, digest) -> {
                RenderPartRow made = new RenderPartRow();
                made.renderId = id;
                made.part = part;
                made.digest = digest;
                store.add(made);
            });
        });
    }

    private void end(long id, RenderRow.State state, String error) {
        transactions.executeWithoutResult(status -> {
            RenderRow row = store.get(RenderRow.class, id);
            row.state = state;
            row.finishedAt = Instant.now();
            row.error = error == null ? null : error.substring(0, Math.min(500, error.length()));
        });
    }

    private void failAll(String why) {
        write("update render set state = 'FAILED', error = ? where state in ('WAITING', 'DRAWING')", why);
    }

    /** In a transaction of its own. @return how many rows that changed */
    private int write(String sql, Object... values) {
        return Objects.requireNonNull(transactions.execute(status -> jdbc.update(sql, values)));
    }

    private static String sha256(Path file) throws IOException {
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(((DigestInputStream) in).getMessageDigest().digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    private void tell(long projectId) {
        live.tell(projectId, new LiveUpdates.Update("render", 0, "", ""));
    }

    private void pause() {
        try {
            Thread.sleep(2000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void destroy() throws InterruptedException {
        closing = true;
        ring();
        worker.join(5000);
    }
}
