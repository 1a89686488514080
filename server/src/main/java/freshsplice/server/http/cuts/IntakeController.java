package freshsplice.server.http.cuts;

import freshsplice.core.conform.Fix;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.rates.RateWay;
import freshsplice.core.time.FrameRate;
import freshsplice.server.cuts.Intake;
import freshsplice.server.cuts.Numbering;
import freshsplice.server.http.files.Attachment;
import freshsplice.server.media.MediaStore;
import freshsplice.server.media.Proxies;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.nio.file.Path;
import java.util.List;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A cut that came in: what it holds, what is chosen of it, and what is made of it. */
@RestController
@RequestMapping("/api")
class IntakeController {
    record Apart(long seam, boolean apart) {
    }

    /** What to do about a place. @param fix the word of an offer; null to leave it as the cut has it */
    record EventFix(long at, @Schema(nullable = true) Fix fix) {
    }

    /** @param name blank for a camera of its own */
    record CameraName(long at, String name) {
    }

    /** @param way the word of a way; null as the file has it */
    record Ways(@Schema(nullable = true) RateWay rate, @Schema(nullable = true) RateWay clips) {
    }

    /** A code as it would be, and what it is found in. */
    record Example(String code, List<String> from) {
    }

    private final Store store;
    private final Intake intake;
    private final IntakeViews views;
    private final MediaStore media;
    private final Proxies proxies;

    IntakeController(Store store, Intake intake, IntakeViews views, MediaStore media, Proxies proxies) {
        this.store = store;
        this.intake = intake;
        this.views = views;
        this.media = media;
        this.proxies = proxies;
    }

    @PostMapping("/projects/{id}/numbering")
    void numbering(@PathVariable long id, @Valid @RequestBody Numbering wanted, Asker who) {
        intake.number(id, wanted, who);
    }

    /** The first codes as they would be with other rules; nothing is changed. */
    @PostMapping("/cuts/{id}/numbering/examples")
    List<Example> examples(@PathVariable long id, @Valid @RequestBody Numbering wanted) {
        return intake.examples(id, wanted).stream().map(e -> new Example(e.code(), e.from())).toList();
    }

    @GetMapping("/cuts/{id}/intake")
    IntakeView intake(@PathVariable long id) {
        return views.of(id);
    }

    /** The intake on paper: csv or pdf. */
    @GetMapping("/cuts/{id}/report/{format}")
    ResponseEntity<byte[]> report(@PathVariable long id, @PathVariable String format) {
        IntakeView view = views.of(id);
        IntakeReport report = new IntakeReport(view);
        byte[] bytes = switch (format) {
            case "csv" -> report.csv();
            case "pdf" -> report.pdf(this::picture);
            default -> throw new Refused("A report is csv or pdf, not \"" + format + "\"");
        };
        return Attachment.of(RenderName.fileSafe(view.name()) + "_cut_" + view.version() + "." + format, bytes);
    }

    private Path picture(IntakeView.Shot shot) {
        return shot.mediaId() == null ? null : proxies.small(store.get(MediaRow.class, shot.mediaId()), shot.mediaFrame());
    }

    @PostMapping("/cuts/{id}/rate")
    void rate(@PathVariable long id, @RequestParam String rate) {
        intake.changeRate(id, FrameRate.parse(rate));
    }

    @PostMapping("/cuts/{id}/apart")
    void apart(@PathVariable long id, @Valid @RequestBody Apart apart, Asker who) {
        intake.keepApart(id, apart.seam(), apart.apart(), who);
    }

    /** Leaves all seams open that could be closed, or closes all. */
    @PostMapping("/cuts/{id}/apart/all")
    void allApart(@PathVariable long id, @RequestParam boolean apart, Asker who) {
        intake.keepAllApart(id, apart, who);
    }

    @PostMapping("/cuts/{id}/fix")
    void fix(@PathVariable long id, @Valid @RequestBody EventFix fixed, Asker who) {
        intake.fix(id, fixed.at(), fixed.fix(), who);
    }

    /** Names the camera of a shot that is not made yet. */
    @PostMapping("/cuts/{id}/camera")
    void camera(@PathVariable long id, @Valid @RequestBody CameraName named, Asker who) {
        intake.camera(id, named.at(), named.name(), who);
    }

    /** How the cut meets the project's rate, and how clips of another rate are shown. */
    @PostMapping("/cuts/{id}/rate-ways")
    void rateWays(@PathVariable long id, @Valid @RequestBody Ways ways) {
        intake.ways(id, ways.rate(), ways.clips());
    }

    /** Takes another of the file's sequences. */
    @PostMapping("/cuts/{id}/sequence")
    void sequence(@PathVariable long id, @RequestParam int index) {
        intake.choose(id, index);
    }

    /** Makes shots of one picture track; without one, of what is seen of all. */
    @PostMapping("/cuts/{id}/track")
    void track(@PathVariable long id, @RequestParam(required = false) Integer place, Asker who) {
        intake.pickTrack(id, place, who);
    }

    @PostMapping("/cuts/{id}/receive")
    void receive(@PathVariable long id, Asker who) {
        intake.receive(id, who);
    }

    /** The file as it was received. */
    @GetMapping("/cuts/{id}/file")
    ResponseEntity<Resource> file(@PathVariable long id) {
        CutRow row = store.get(CutRow.class, id);
        return Attachment.of(row.fileName.replaceAll("[^A-Za-z0-9._-]", "_"), new FileSystemResource(media.file(row.stored)));
    }

}
