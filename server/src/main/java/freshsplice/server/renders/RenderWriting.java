package freshsplice.server.renders;

import freshsplice.core.render.Output;
import freshsplice.core.render.OutputKind;
import freshsplice.render.CannotDraw;
import freshsplice.render.DamagedFrame;
import freshsplice.render.FileDigest;
import freshsplice.render.FrameFile;
import freshsplice.render.GivenMovie;
import freshsplice.render.JobFile;
import freshsplice.render.OutputOrder;
import freshsplice.render.OutputWriter;
import freshsplice.render.Pixels;
import freshsplice.server.media.MediaStore;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Writes files of renders from their kept frames. */
@Component
public class RenderWriting {
    private static final int MOST_DAMAGED = 20;
    private static final Logger LOG = LoggerFactory.getLogger(RenderWriting.class);

    private final RenderTasks tasks;
    private final RenderStates states;
    private final KeptFrames kept;
    private final RenderProgress progress;
    private final RenderLog log;
    private final RenderFailures failures;
    private final Folders folders;
    private final MediaStore media;
    /** How many frames of a render were damaged since it was begun. */
    private final Map<Long, Integer> damaged = new ConcurrentHashMap<>();

    RenderWriting(RenderTasks tasks, RenderStates states, KeptFrames kept, RenderProgress progress, RenderLog log, RenderFailures failures, Folders folders,
                  MediaStore media) {
        this.media = media;
        this.tasks = tasks;
        this.states = states;
        this.kept = kept;
        this.progress = progress;
        this.log = log;
        this.failures = failures;
        this.folders = folders;
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
            kind.check(row.width, row.height);
            Output output = Output.of(kind);
            if (!kind.isMovie()) {
                output.numbering().of(kept.kept(renderId).job().range());
            }
        } catch (IOException e) {
            throw new Refused("The kept frames of " + row.name + " cannot be read: render it again");
        }
        tasks.writeAlso(renderId, kind.name(), row.place);
    }

    /** @return whether it came to its end; false where the server closes */
    boolean writeAlso(long renderId, String kind) throws Exception {
        RenderRow row = states.row(renderId);
        JobFile.Contents job = kept.kept(renderId);
        Path folder = Files.createDirectories(folders.renders().resolve(row.folder));
        try {
            List<OutputWriter.WrittenOutput> written = OutputWriter.write(new OutputOrder(job.job(), List.of(Output.of(OutputKind.valueOf(kind))),
                    job.sound()), kept.frames(renderId), folder, k -> !failures.isClosing());
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

    /** @return whether it came to its end; false where the server closes */
    boolean write(RenderRow row) throws IOException {
        long renderId = row.id;
        return failures.guard(row, RenderFailures.MOST_TRIES, true, () -> {
            JobFile.Contents job = kept.kept(renderId);
            Path folder = Files.createDirectories(folders.renders().resolve(row.folder));
            List<Output> outputs = new ArrayList<>(job.job().recipe().written());
            boolean played = outputs.stream().anyMatch(o -> o.kind() == OutputKind.H264);
            if (!played) {
                // windows play one whatever else is wanted
                outputs.add(Output.of(OutputKind.H264));
            }
            List<OutputWriter.WrittenOutput> written;
            try {
                written = OutputWriter.write(new OutputOrder(job.job(), outputs, job.sound()), kept.frames(renderId), folder, k -> isWanted(row));
            } catch (DamagedFrame e) {
                drawAgain(row, e);
                return true;
            }
            if (written == null) {
                return !failures.isClosing();
            }
            damaged.remove(renderId);
            written = withGiven(row, job, written, folder);
            if (written == null) {
                return !failures.isClosing();
            }
            OutputWriter.WrittenOutput movie = written.stream().filter(w -> w.kind() == OutputKind.H264).findFirst().orElseThrow();
            states.done(renderId, written, movie, FileDigest.of(folder.resolve(movie.file())));
            log.say(renderId, "written: " + written.stream().map(OutputWriter.WrittenOutput::file).collect(Collectors.joining(", ")));
            letGoOlder(row);
            progress.ended(renderId, row.projectId);
            return true;
        });
    }

    /** A movie that came as edit rooms work with it is handed on as it is, beside ours. */
    private List<OutputWriter.WrittenOutput> withGiven(RenderRow row, JobFile.Contents job, List<OutputWriter.WrittenOutput> written, Path folder) {
        Path given = states.given(row).map(media::file).orElse(null);
        OutputKind kind = given == null ? null : GivenMovie.kind(given).orElse(null);
        if (kind == null) {
            return written;
        }
        try {
            OutputWriter.WrittenOutput kept = GivenMovie.into(given, kind, job.job(), folder, () -> isWanted(row));
            return kept == null ? null : Stream.concat(written.stream(), Stream.of(kept)).toList();
        } catch (IOException e) {
            LOG.warn("Render {} is not handed on as {}", row.name, kind, e);
            log.say(row.id, "not handed on as " + kind.word() + ": " + e.getMessage());
            return written;
        }
    }

    /** A frame that the disk lost is drawn again, and the files are written then; not for ever, where a disk loses all. */
    private void drawAgain(RenderRow row, DamagedFrame e) throws IOException {
        if (damaged.merge(row.id, 1, Integer::sum) > MOST_DAMAGED) {
            damaged.remove(row.id);
            throw new CannotDraw(e.getMessage() + ". Others before it too: look at the disk, then go on");
        }
        log.say(row.id, e.getMessage() + ": it is drawn again");
        kept.letGo(row.id, e.frame());
        tasks.begin(row.id, row.place);
    }

    /** Frames are kept of the newest of each shot, grade and range: those of older ones are drawn again if anybody wants them. */
    private void letGoOlder(RenderRow row) throws IOException {
        for (long older : states.olderThan(row)) {
            kept.letGo(older);
        }
    }

    /** Whether nobody paused or stopped it, and the server stays up. */
    private boolean isWanted(RenderRow row) {
        return !failures.isClosing() && progress.done(row.id) >= 0;
    }
}
