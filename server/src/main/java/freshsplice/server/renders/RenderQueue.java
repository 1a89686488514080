package freshsplice.server.renders;

import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRange;
import freshsplice.render.CannotDraw;
import freshsplice.render.ChunkDrawer;
import freshsplice.render.FrameFile;
import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.render.OutputWriter;
import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Renders what waits: begins a render by keeping what it is drawn from, draws it chunk by chunk, writes its files when all frames are
 * there. A failed render fails alone. Whatever was finished stays: frames that are there are not drawn again.
 */
@Component
public class RenderQueue implements RenderTasks.Work, DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(RenderQueue.class);
    private static final long SPARE_BYTES = 200_000_000;
    private static final int MOST_TRIES = 3;
    private static final Set<RenderRow.State> OPEN = Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING);

    private final RenderTasks tasks;
    private final RenderStates states;
    private final DrawingReader reader;
    private final KeptFrames kept;
    private final RenderProgress progress;
    private final RenderLog log;
    private final Recipes recipes;
    private final Folders folders;
    private final PainterThread drawer = new PainterThread("renders", Thread.NORM_PRIORITY);
    private volatile boolean closing;

    RenderQueue(RenderTasks tasks, RenderStates states, DrawingReader reader, KeptFrames kept, RenderProgress progress, RenderLog log, Recipes recipes, Folders folders) {
        this.log = log;
        this.recipes = recipes;
        this.tasks = tasks;
        this.states = states;
        this.reader = reader;
        this.kept = kept;
        this.progress = progress;
        this.folders = folders;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(50)
    void begin() {
        tasks.start(this);
    }

    /** Stops a render that waits or is being drawn; its frames stay, a finished one stays as it is. */
    public void stop(long renderId) {
        end(renderId, Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING, RenderRow.State.PAUSED), RenderRow.State.STOPPED);
    }

    public void pause(long renderId) {
        end(renderId, OPEN, RenderRow.State.PAUSED);
    }

    private void end(long renderId, Set<RenderRow.State> from, RenderRow.State to) {
        if (states.change(renderId, from, to)) {
            tasks.takeAway(renderId);
        }
        progress.ended(renderId, states.row(renderId).projectId);
    }

    /** Goes on with one that was paused or stopped, or failed, at its first missing frame. */
    public void goOn(long renderId) {
        if (states.change(renderId, Set.of(RenderRow.State.PAUSED, RenderRow.State.STOPPED, RenderRow.State.FAILED), RenderRow.State.WAITING)) {
            RenderRow row = states.row(renderId);
            tasks.begin(renderId, row.place);
            progress.tell(row.projectId);
        }
    }

    /** Writes a finished render into another kind of files, from its kept frames. @throws Refused if those cannot give it */
    public void writeAlso(long renderId, OutputKind kind) {
        RenderRow row = states.row(renderId);
        if (row.state != RenderRow.State.DONE || kept.count(renderId) < row.frames) {
            throw new Refused(row.state == RenderRow.State.DONE ? "The frames of " + row.name + " were let go: render it again"
                    : row.name + " is not finished yet");
        }
        try {
            Pixels first = FrameFile.read(kept.frame(renderId, 0));
            if (kind.bits() > 8 && !first.deep()) {
                throw new Refused("The frames of " + row.name + " have 8 bits: render it again for " + kind.word());
            }
            Output output = Output.of(kind);
            if (!kind.isMovie()) {
                output.numbering().of(kept.kept(renderId).job().range());
            }
        } catch (IOException e) {
            throw new Refused("The kept frames of " + row.name + " cannot be read: render it again");
        }
        tasks.writeAlso(renderId, kind.name(), row.place);
    }

    @Override
    public boolean writeAlso(long renderId, String kind) throws Exception {
        RenderRow row = states.row(renderId);
        JobFile.Kept job = kept.kept(renderId);
        Path folder = Files.createDirectories(folders.renders().resolve(row.folder));
        try {
            List<OutputWriter.Written> written = OutputWriter.write(new OutputWriter.Order(job.job(), List.of(Output.of(OutputKind.valueOf(kind))),
                    job.sound()), kept.frames(renderId), folder, k -> !closing);
            if (written == null) {
                return false;
            }
            states.wrote(renderId, written);
            log.say(renderId, "written as " + OutputKind.valueOf(kind).word());
        } catch (IOException e) {
            LOG.warn("Render {} could not be written as {}", row.name, kind, e);
            log.say(renderId, "not written as " + OutputKind.valueOf(kind).word() + ": " + e.getMessage());
        }
        progress.tell(row.projectId);
        return true;
    }

    @Override
    public boolean begin(long renderId) throws Exception {
        if (closing) {
            return false;
        }
        if (!states.begin(renderId)) {
            return true;
        }
        RenderRow row = states.row(renderId);
        return failing(row, MOST_TRIES, () -> {
            if (!kept.isBegun(renderId)) {
                Drawing drawing = reader.read(renderId);
                kept.letGo(renderId);
                kept.begin(renderId, drawing);
                states.madeFrom(renderId, drawing.fingerprint(), folder(drawing.kept().job(), renderId));
            }
            JobFile.Kept job = kept.kept(renderId);
            checkSpace(job);
            long there = kept.count(renderId);
            log.say(renderId, row.name + ", " + row.grade.name().toLowerCase(Locale.ROOT) + ", " + job.job().frames() + " frames, "
                    + there + " of them there; " + recipes.text(job.job().recipe()));
            progress.goesOn(renderId, there);
            tasks.chunks(renderId, job.job().chunks().stream().map(FrameRange::in).toList(), row.place);
            progress.tell(row.projectId);
            return true;
        });
    }

    @Override
    public boolean draw(long renderId, long first, int tries) throws Exception {
        RenderRow row = underWay(renderId);
        if (row == null) {
            return true;
        }
        return failing(row, tries, () -> {
            JobFile.Kept job = kept.kept(renderId);
            OrderFile.Orders orders = OrderFile.read(kept.orders(renderId, first));
            if (!isDrawn(row, job, orders)) {
                return !closing;
            }
            log.say(renderId, "frames " + first + " to " + (first + orders.frames().size() - 1) + " drawn");
            boolean alone = tasks.isAlone(renderId, first);
            // the disk is looked at where this may have been the last chunk, not after each of thousands
            if (alone || progress.done(renderId) >= job.job().frames()) {
                if (kept.count(renderId) >= job.job().frames()) {
                    tasks.write(renderId, row.place);
                } else if (alone) {
                    // somebody took frames from the disk meanwhile
                    tasks.begin(renderId, row.place);
                }
            }
            return true;
        });
    }

    /** @return whether all frames of a chunk are there */
    private boolean isDrawn(RenderRow row, JobFile.Kept job, OrderFile.Orders orders) throws IOException {
        try {
            return drawer.draw(painter -> {
                try (ChunkDrawer frames = new ChunkDrawer(painter)) {
                    return frames.draw(job.job().recipe(), orders, kept.frames(row.id), kept.footage(job), frame -> goesOn(row));
                }
            });
        } catch (InterruptedIOException e) {
            return false;
        }
    }

    /** A render that is to go on, its progress told from then on; null where somebody paused or stopped it. */
    private RenderRow underWay(long renderId) {
        if (progress.done(renderId) < 0) {
            progress.goesOn(renderId, kept.count(renderId));
        }
        // asked after that: who stops it from now on ends its progress, which is seen before each frame
        RenderRow row = states.row(renderId);
        if (row.state == RenderRow.State.DRAWING) {
            return row;
        }
        progress.ended(renderId, row.projectId);
        return null;
    }

    private boolean goesOn(RenderRow row) {
        progress.drawn(row.id, row.projectId);
        return isWanted(row);
    }

    /** Whether nobody paused or stopped it, and the server stays up. */
    private boolean isWanted(RenderRow row) {
        return !closing && progress.done(row.id) >= 0;
    }

    @Override
    public boolean write(long renderId) throws Exception {
        RenderRow row = underWay(renderId);
        if (row == null) {
            return true;
        }
        return failing(row, MOST_TRIES, () -> {
            JobFile.Kept job = kept.kept(renderId);
            Path folder = Files.createDirectories(folders.renders().resolve(row.folder));
            List<Output> outputs = new ArrayList<>(job.job().recipe().written());
            boolean played = outputs.stream().anyMatch(o -> o.kind() == OutputKind.H264);
            if (!played) {
                // windows play one whatever else is wanted
                outputs.add(Output.of(OutputKind.H264));
            }
            List<OutputWriter.Written> written = OutputWriter.write(new OutputWriter.Order(job.job(), outputs, job.sound()),
                    kept.frames(renderId), folder, k -> isWanted(row));
            if (written == null) {
                return !closing;
            }
            OutputWriter.Written movie = written.stream().filter(w -> w.kind() == OutputKind.H264).findFirst().orElseThrow();
            states.done(renderId, written, movie, sha256(folder.resolve(movie.file())));
            log.say(renderId, "written: " + written.stream().map(OutputWriter.Written::file).collect(Collectors.joining(", ")));
            letGoOlder(row);
            progress.ended(renderId, row.projectId);
            return true;
        });
    }

    /** Frames are kept of the newest of each shot and grade: those of older ones are drawn again if anybody wants them. */
    private void letGoOlder(RenderRow row) throws IOException {
        for (long older : states.olderThan(row)) {
            kept.letGo(older);
        }
    }

    private interface Work {
        boolean run() throws IOException;
    }

    /** What cannot become better by trying again ends the render, with the reason; the rest is tried again, not for ever. */
    private boolean failing(RenderRow row, int tries, Work work) throws IOException {
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
            if (!full && tries + 1 < MOST_TRIES && !closing) {
                throw e;
            }
            fail(row, full ? OutputWriter.FULL : e.getMessage(), e);
        } catch (RuntimeException e) {
            fail(row, e.getMessage(), e);
        }
        return true;
    }

    /** A folder of its own. Two projects of one name, or a project that was made anew, never write into each other's. */
    private String folder(RenderJob job, long renderId) {
        String folder = job.names().folder();
        return Files.exists(folders.renders().resolve(folder)) ? folder + "_" + renderId : folder;
    }

    private static boolean isFull(IOException e) {
        return e.getMessage() != null && (e.getMessage().contains("No space left") || e.getMessage().equals(OutputWriter.FULL));
    }

    private void fail(RenderRow row, String why, Throwable cause) {
        LOG.warn("Render {} failed", row.name, cause);
        log.say(row.id, "failed: " + why);
        states.fail(row.id, why);
        tasks.takeAway(row.id);
        progress.ended(row.id, row.projectId);
    }

    /** Better said before than an hour in. Pictures of plain figures need under 4 bits a pixel as frames, and again as movies. */
    private void checkSpace(JobFile.Kept job) throws IOException {
        long pixels = job.job().frames() * job.job().recipe().look().width() * job.job().recipe().look().height();
        long needed = pixels / 2 + SPARE_BYTES;
        OptionalLong free = FreeSpace.at(folders.frames());
        if (free.isPresent() && free.getAsLong() < needed) {
            throw new IOException("The disk has " + free.getAsLong() / 1_000_000 + " MB free and this may need "
                    + needed / 1_000_000 + " MB: free some space, then go on");
        }
    }

    private static String sha256(Path file) throws IOException {
        try (InputStream in = new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("SHA-256"))) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(((DigestInputStream) in).getMessageDigest().digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    @Override
    public void destroy() {
        closing = true;
        tasks.stop();
        drawer.close();
    }
}
