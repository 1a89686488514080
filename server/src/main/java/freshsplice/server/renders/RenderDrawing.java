package freshsplice.server.renders;

import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.server.rows.RenderRow;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What becomes of a chunk on a seat. Frames that are there are not drawn again. */
@Component
class RenderDrawing {
    private final RenderTasks tasks;
    private final RenderStates states;
    private final KeptFrames kept;
    private final RenderProgress progress;
    private final RenderLog log;
    private final RenderFailures failures;
    private final SeatWork work;
    private final Drivers drivers;
    /** Names of the machines that failed at a chunk, by render and first frame; of those that fail for good few are left over. */
    private final Map<String, Set<String>> failedBy = new ConcurrentHashMap<>();

    RenderDrawing(RenderTasks tasks, RenderStates states, KeptFrames kept, RenderProgress progress, RenderLog log, RenderFailures failures, SeatWork work,
                  Drivers drivers) {
        this.tasks = tasks;
        this.states = states;
        this.kept = kept;
        this.progress = progress;
        this.log = log;
        this.failures = failures;
        this.work = work;
        this.drivers = drivers;
    }

    /** @param first of its frames; @param tries how often it failed before */
    RenderTasks.Turn draw(long renderId, long first, int tries, Seat seat) throws IOException {
        RenderRow row = underWay(renderId);
        if (row == null) {
            return RenderTasks.Turn.DONE;
        }
        return failures.guard(row, tries, RenderTasks.Turn.DONE, () -> {
            Optional<JobFile.Contents> job = kept.begun(renderId);
            if (job.isEmpty()) {
                // by an earlier version of the program, in a form that is not drawn from any more
                tasks.begin(renderId, row.place);
                return RenderTasks.Turn.DONE;
            }
            return drivers.mayDraw(row, seat) ? drawn(row, new Seat.Chunk(renderId, row.name, job.get(), OrderFile.read(kept.orders(renderId, first))), seat)
                    : RenderTasks.Turn.ELSEWHERE;
        });
    }

    private RenderTasks.Turn drawn(RenderRow row, Seat.Chunk chunk, Seat seat) throws IOException {
        try {
            if (!work.draw(seat, chunk, watch(row))) {
                // somebody may have let it go on meanwhile
                return failures.isClosing() || states.isOpen(row.id) ? RenderTasks.Turn.AGAIN : RenderTasks.Turn.DONE;
            }
        } catch (SeatLost e) {
            log.say(row.id, framesOf(chunk) + " put back: " + e.getMessage());
            if (e.counts()) {
                throw e;
            }
            return RenderTasks.Turn.AGAIN;
        } catch (IOException e) {
            return failed(row, chunk, seat, e);
        }
        work.drew(seat);
        failedBy.remove(key(chunk));
        log.say(row.id, framesOf(chunk) + " drawn by " + seat.name());
        writeIfWhole(row, chunk);
        return RenderTasks.Turn.DONE;
    }

    /**
     * What a machine failed at goes to another, next; it rests meanwhile. Only what no machine that is there can draw counts against the
     * render.
     */
    private RenderTasks.Turn failed(RenderRow row, Seat.Chunk chunk, Seat seat, IOException e) throws IOException {
        if (failures.isClosing() || failures.isFull(e)) {
            throw e;
        }
        Set<String> tried = failedBy.computeIfAbsent(key(chunk), k -> ConcurrentHashMap.newKeySet());
        tried.add(seat.name());
        boolean another = work.seats().stream().anyMatch(s -> !tried.contains(s.name()) && drivers.fits(row.id, s));
        long rest = work.rest(seat, e.getMessage());
        log.say(row.id, framesOf(chunk) + " put back: " + e.getMessage()
                + (another ? ". Another machine draws them next; " : ". ") + seat.name() + " rests for " + rest + " s");
        if (!another) {
            throw e;
        }
        return RenderTasks.Turn.AGAIN;
    }

    private static String framesOf(Seat.Chunk chunk) {
        return "frames " + chunk.first() + " to " + (chunk.first() + chunk.frames() - 1);
    }

    private static String key(Seat.Chunk chunk) {
        return chunk.renderId() + "-" + chunk.first();
    }

    private void writeIfWhole(RenderRow row, Seat.Chunk chunk) {
        long frames = chunk.job().job().frames();
        boolean alone = tasks.isAlone(row.id, chunk.first());
        // the disk is looked at where this may have been the last chunk, not after each of thousands
        if (alone || progress.done(row.id) >= frames) {
            if (kept.count(row.id) >= frames) {
                tasks.write(row.id, row.place);
            } else if (alone) {
                // somebody took frames from the disk meanwhile
                tasks.begin(row.id, row.place);
            }
        }
    }

    private Seat.Watch watch(RenderRow row) {
        return new Seat.Watch() {
            @Override
            public boolean goesOn() {
                return !failures.isClosing() && progress.done(row.id) >= 0;
            }

            @Override
            public void drawn() {
                progress.drawn(row.id, row.projectId);
            }
        };
    }

    /** A render that is to go on, its progress told from then on; null where somebody paused or stopped it. */
    RenderRow underWay(long renderId) {
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
}
