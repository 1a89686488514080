package freshsplice.server.renders;

import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRange;
import freshsplice.render.JobFile;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Renders what waits: begins a render by keeping what it is drawn from, draws it chunk by chunk, writes its files when all frames are
 * there. A failed render fails alone. Whatever was finished stays: frames that are there are not drawn again.
 */
@Component
public class RenderQueue implements RenderTasks.Work, DisposableBean {
    private static final Set<RenderRow.State> OPEN = Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING);
    private static final long LOOK_AGAIN_MS = 200;
    private static final long SWEEP_MS = 20_000;

    private final RenderTasks tasks;
    private final RenderStates states;
    private final DrawingReader reader;
    private final KeptFrames kept;
    private final RenderProgress progress;
    private final RenderLog log;
    private final Recipes recipes;
    private final RenderFailures failures;
    private final RenderDrawing drawing;
    private final RenderWriting writing;
    private final RenderSpace space;
    private final Drivers drivers;
    private final JoinedFrames joined;
    private final OwnSeat ownSeat;
    private final Folders folders;
    private volatile boolean started;

    RenderQueue(RenderTasks tasks, RenderStates states, DrawingReader reader, KeptFrames kept, RenderProgress progress, RenderLog log, Recipes recipes,
                RenderFailures failures, RenderDrawing drawing, RenderWriting writing, RenderSpace space, Drivers drivers, JoinedFrames joined, OwnSeat ownSeat, Folders folders) {
        this.tasks = tasks;
        this.states = states;
        this.reader = reader;
        this.kept = kept;
        this.progress = progress;
        this.log = log;
        this.recipes = recipes;
        this.failures = failures;
        this.drawing = drawing;
        this.writing = writing;
        this.space = space;
        this.drivers = drivers;
        this.joined = joined;
        this.ownSeat = ownSeat;
        this.folders = folders;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(50)
    void begin() {
        if (tasks.start(this)) {
            ownSeat.open();
        }
        started = true;
    }

    /** Stops a render that waits or is being drawn; its frames stay, a finished one stays as it is. */
    public void stop(long renderId) {
        end(renderId, Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING, RenderRow.State.PAUSED), RenderRow.State.STOPPED);
    }

    public void pause(long renderId) {
        end(renderId, OPEN, RenderRow.State.PAUSED);
    }

    private void end(long renderId, Set<RenderRow.State> from, RenderRow.State to) {
        states.together(() -> {
            boolean changed = states.change(renderId, from, to);
            if (changed) {
                tasks.takeAway(renderId);
            }
            return changed;
        });
        progress.ended(renderId, states.row(renderId).projectId);
    }

    /** Goes on with one that was paused or stopped, or failed, at its first missing frame. */
    public void goOn(long renderId) {
        boolean goesOn = states.together(() -> {
            boolean changed = states.change(renderId, Set.of(RenderRow.State.PAUSED, RenderRow.State.STOPPED, RenderRow.State.FAILED), RenderRow.State.WAITING);
            if (changed) {
                tasks.begin(renderId, states.row(renderId).place);
            }
            return changed;
        });
        if (goesOn) {
            progress.tell(states.row(renderId).projectId);
        }
    }

    @Override
    public boolean begin(long renderId) throws Exception {
        ownSeat.open();
        while (tasks.isAhead() && !failures.isClosing()) {
            // what a render is drawn from is read when its turn has come, not before
            Thread.sleep(LOOK_AGAIN_MS);
        }
        if (failures.isClosing()) {
            return false;
        }
        if (!states.begin(renderId)) {
            return true;
        }
        RenderRow row = states.row(renderId);
        return failures.guard(row, RenderFailures.MOST_TRIES, true, () -> {
            ownSeat.checkSomethingDraws();
            // a job without a folder was begun by an earlier version that was killed as it began: it is begun anew
            JobFile.Contents job = row.folder == null ? null : kept.begun(renderId).orElse(null);
            if (job == null) {
                Drawing drawing = reader.read(renderId);
                kept.letGo(renderId);
                states.madeFrom(renderId, drawing.fingerprint(), row.folder != null ? row.folder : claimed(drawing.kept().job(), renderId));
                // the job file comes last: where it is, all else is, in the database and on the disk
                kept.begin(renderId, drawing);
                job = drawing.kept();
                if (row.joined) {
                    log.say(renderId, joined.take(renderId, job.job()) + " frames taken from finished renders as they are");
                }
            }
            kept.sweep(renderId);
            long there = kept.count(renderId);
            space.check(job, there);
            log.say(renderId, row.name + ", " + row.grade.name().toLowerCase(Locale.ROOT) + ", " + job.job().frames() + " frames, "
                    + there + " of them there; " + recipes.text(job.job().recipe()));
            progress.goesOn(renderId, there);
            tasks.chunks(renderId, job.job().chunks().stream().map(FrameRange::in).toList(), row.place, drivers.of(renderId));
            progress.tell(row.projectId);
            return true;
        });
    }

    /** Renders that no task knows of any more are begun again: nothing waits for ever. */
    @Scheduled(fixedDelay = SWEEP_MS, initialDelay = SWEEP_MS)
    void sweep() {
        if (started && !failures.isClosing()) {
            tasks.beginForgotten();
        }
    }

    @Override
    public RenderTasks.Turn draw(long renderId, long first, int tries, Seat seat) throws Exception {
        return drawing.draw(renderId, first, tries, seat);
    }

    @Override
    public String driverOf(long renderId) {
        return drivers.of(renderId);
    }

    @Override
    public boolean write(long renderId) throws Exception {
        RenderRow row = drawing.underWay(renderId);
        return row == null || writing.write(row);
    }

    @Override
    public boolean writeAlso(long renderId, String kind) throws Exception {
        return writing.writeAlso(renderId, kind);
    }

    /** A folder of its own, made at once. Two projects of one name, or a project that was made anew, never write into each other's. */
    private String claimed(RenderJob job, long renderId) throws IOException {
        String folder = job.names().folder();
        Path wanted = folders.renders().resolve(folder);
        Files.createDirectories(wanted.getParent());
        try {
            Files.createDirectory(wanted);
            return folder;
        } catch (FileAlreadyExistsException e) {
            String own = folder + "_" + renderId;
            Files.createDirectories(folders.renders().resolve(own));
            return own;
        }
    }

    @Override
    public void destroy() {
        failures.close();
        tasks.stop();
    }
}
