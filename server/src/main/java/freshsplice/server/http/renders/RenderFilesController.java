package freshsplice.server.http.renders;

import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.render.FrameFile;
import freshsplice.render.Pixels;
import freshsplice.server.http.files.Attachment;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.RenderLog;
import freshsplice.server.renders.RenderWriting;
import freshsplice.server.renders.StaleReasons;
import freshsplice.server.renders.TrialFrames;
import freshsplice.server.rows.RenderOutputRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.steps.Asker;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Files of renders, single frames, and what happened to them. */
@RestController
class RenderFilesController {
    /** @param first name of the file, the first of a run; @param word as people call the kind */
    record FilesView(OutputKind kind, String word, String first, String last, long files, long bytes) {
    }

    /** A kind of files to write from kept frames. */
    record Another(@NotNull(message = "is needed") OutputKind kind) {
    }

    /** A frame to try. @param frame shot frame */
    record Trial(long frame, @NotNull(message = "is needed") Recipe recipe) {
    }

    private final Store store;
    private final Folders folders;
    private final KeptFrames kept;
    private final RenderLog log;
    private final RenderWriting writing;
    private final TrialFrames trials;
    private final StaleReasons reasons;

    RenderFilesController(Store store, Folders folders, KeptFrames kept, RenderLog log, RenderWriting writing, TrialFrames trials, StaleReasons reasons) {
        this.reasons = reasons;
        this.store = store;
        this.folders = folders;
        this.kept = kept;
        this.log = log;
        this.writing = writing;
        this.trials = trials;
    }

    /** Since when a stale render is so, and by whom, as far as steps tell. */
    @GetMapping("/api/renders/{id}/stale")
    List<StaleReasons.Since> whyStale(@PathVariable long id, @RequestParam List<String> parts) {
        return reasons.of(id, parts);
    }

    @GetMapping("/api/renders/{id}/files")
    List<FilesView> renderFiles(@PathVariable long id) {
        return store.where(RenderOutputRow.class, "renderId", id).stream().map(o -> new FilesView(o.kind, o.kind.word(), o.file, o.lastFile,
                o.files, o.bytes)).toList();
    }

    /** The files of one kind: a movie, or a zip of a run. */
    @GetMapping("/api/renders/{id}/files/{kind}")
    ResponseEntity<StreamingResponseBody> renderFile(@PathVariable long id, @PathVariable OutputKind kind) {
        RenderRow row = store.get(RenderRow.class, id);
        RenderOutputRow output = store.where(RenderOutputRow.class, "renderId", id).stream().filter(o -> o.kind == kind).findFirst()
                .orElseThrow(() -> new NotThere(row.name + " was not written as " + kind.word()));
        Path first = folders.renders().resolve(output.file);
        if (!Files.exists(first)) {
            throw new NotThere(output.file + " was taken from the disk: write it again from the kept frames, or render again");
        }
        StreamingResponseBody body = kind.isMovie() ? to -> Files.copy(first, to) : to -> zip(first, to);
        return Attachment.of(kind.isMovie() ? first.getFileName().toString() : row.name + "_" + kind.ending() + ".zip", body);
    }

    private static void zip(Path first, java.io.OutputStream to) throws IOException {
        String ending = first.toString().substring(first.toString().lastIndexOf('.'));
        try (ZipOutputStream zip = new ZipOutputStream(to); var files = Files.list(first.getParent())) {
            // pictures are compressed already
            zip.setLevel(0);
            for (Path file : files.filter(f -> f.toString().endsWith(ending)).sorted().toList()) {
                zip.putNextEntry(new ZipEntry(file.getFileName().toString()));
                Files.copy(file, zip);
                zip.closeEntry();
            }
        }
    }

    /** Writes a finished render into another kind of files, from its kept frames. */
    @PostMapping("/api/renders/{id}/files")
    void writeAlso(@PathVariable long id, @Valid @RequestBody Another another) {
        writing.writeAlso(id, another.kind());
    }

    /** A drawn frame, counted from 0; the newest without one. */
    @GetMapping("/api/renders/{id}/frame")
    ResponseEntity<byte[]> drawnFrame(@PathVariable long id, @RequestParam(required = false) Long frame) throws IOException {
        Pixels pixels = FrameFile.read(frame == null ? kept.newest(id) : kept.frame(id, frame));
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).cacheControl(CacheControl.noStore()).body(pixels.encoded("jpg"));
    }

    @GetMapping(value = "/api/renders/{id}/log", produces = MediaType.TEXT_PLAIN_VALUE)
    String renderLog(@PathVariable long id) throws IOException {
        return log.of(id);
    }

    /** One frame of a shot at its full size, as a recipe draws it. */
    @PostMapping("/api/shots/{id}/trial-frame")
    ResponseEntity<byte[]> trialFrame(@PathVariable long id, @Valid @RequestBody Trial trial, Asker who) throws IOException {
        return Attachment.of("trial_frame.png", trials.of(id, trial.frame(), trial.recipe(), who.name()).encoded("png"));
    }
}
