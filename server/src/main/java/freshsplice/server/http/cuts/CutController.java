package freshsplice.server.http.cuts;

import freshsplice.core.conform.Fix;
import freshsplice.core.cut.Remark;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.rates.RateWay;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.Written;
import freshsplice.server.cuts.HandingBack;
import freshsplice.server.cuts.Intake;
import freshsplice.server.cuts.Numbering;
import freshsplice.server.cuts.TurnoverEdits;
import freshsplice.server.http.masters.SequenceService;
import freshsplice.server.media.MediaStore;
import freshsplice.server.media.Proxies;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Cuts and pictures come in, cuts go out. */
@RestController
@RequestMapping("/api")
class CutController {
    record Apart(long seam, boolean apart) {
    }

    /** What to do about a place. @param fix the word of an offer; null to leave it as the cut has it */
    record Fixed(long at, @Schema(nullable = true) Fix fix) {
    }

    /** @param name blank for a camera of its own */
    record Named(long at, String name) {
    }

    /** @param way the word of a way; null as the file has it */
    record Ways(@Schema(nullable = true) RateWay rate, @Schema(nullable = true) RateWay clips) {
    }

    /** A code as it would be, and what it is found in. */
    record Example(String code, List<String> from) {
    }

    /** @param sections ids of pieces of the master */
    record Pieces(Set<Long> sections) {
    }

    /** @param id what it is, as the list says; @param words what it does, to be said where it is not there any more */
    record ChosenChange(@NotBlank @Size(max = 200) String id, @NotNull @Size(max = 1000) String words) {
    }

    record Chosen(@NotEmpty @Size(max = 100_000) List<@Valid ChosenChange> changes) {
    }

    /** What applying did. @param left changes that had moved on meanwhile and were not applied, in words */
    record AppliedView(int applied, List<String> left, List<OutOfDate> outOfDate) {
    }

    /** Two sources by their identities. @param same whether they are one */
    record Pairing(@NotBlank @Size(max = 1500) String older, @NotBlank @Size(max = 1500) String newer, boolean same) {
    }

    /** A render that cannot stand as it is: its shot's code, and why. @param before whether that was so before the changes */
    record OutOfDate(String code, String why, boolean before) {
    }

    /** What the written list does not show as our renders would, before it is taken, and its pieces in figures. */
    record HandBackView(List<IntakeView.Note> remarks, HandBack.Tally tally) {
    }

    private final Store store;
    private final Intake intake;
    private final IntakeViews views;
    private final TurnoverEdits turnovers;
    private final TurnoverViews turnoverViews;
    private final HandingBack handing;
    private final MediaStore media;
    private final Proxies proxies;
    private final SequenceService sequences;

    CutController(Store store, Intake intake, IntakeViews views, TurnoverEdits turnovers, TurnoverViews turnoverViews, HandingBack handing,
                  MediaStore media, Proxies proxies, SequenceService sequences) {
        this.store = store;
        this.intake = intake;
        this.views = views;
        this.turnovers = turnovers;
        this.turnoverViews = turnoverViews;
        this.handing = handing;
        this.media = media;
        this.proxies = proxies;
        this.sequences = sequences;
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
        return attachment(RenderName.fileSafe(view.name()) + "_cut_" + view.version() + "." + format, bytes);
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
    void fix(@PathVariable long id, @Valid @RequestBody Fixed fixed, Asker who) {
        intake.fix(id, fixed.at(), fixed.fix(), who);
    }

    /** Names the camera of a shot that is not made yet. */
    @PostMapping("/cuts/{id}/camera")
    void camera(@PathVariable long id, @Valid @RequestBody Named named, Asker who) {
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

    /** Makes shots of one picture lane; without one, of what is seen of all. */
    @PostMapping("/cuts/{id}/lane")
    void lane(@PathVariable long id, @RequestParam(required = false) Integer place, Asker who) {
        intake.pickLane(id, place, who);
    }

    @PostMapping("/cuts/{id}/receive")
    void receive(@PathVariable long id, Asker who) {
        intake.receive(id, who);
    }

    /** The file as it was received. */
    @GetMapping("/cuts/{id}/file")
    ResponseEntity<Resource> file(@PathVariable long id) {
        CutRow row = store.get(CutRow.class, id);
        return attachment(row.fileName.replaceAll("[^A-Za-z0-9._-]", "_"), new FileSystemResource(media.file(row.stored)));
    }

    @GetMapping("/cuts/{id}/turnover")
    TurnoverView turnover(@PathVariable long id, @RequestParam(required = false) Long master) {
        return turnoverViews.view(id, master);
    }

    /** Applies chosen changes as one step, and says which renders that puts out of date. */
    @PostMapping("/cuts/{id}/turnover/apply")
    AppliedView apply(@PathVariable long id, @Valid @RequestBody Chosen chosen,
                      @RequestParam(required = false) Long master, Asker who) {
        long projectId = store.get(CutRow.class, id).projectId;
        Map<String, String> before = sequences.outOfDate(projectId, master);
        Map<String, String> changes = new LinkedHashMap<>();
        chosen.changes().forEach(c -> changes.put(c.id(), c.words()));
        TurnoverEdits.Applied applied = turnovers.apply(id, master, changes, who);
        return new AppliedView(applied.applied(), applied.left(), sequences.outOfDate(projectId, master).entrySet().stream()
                .map(e -> new OutOfDate(e.getKey(), e.getValue(), e.getValue().equals(before.get(e.getKey())))).toList());
    }

    /** Says of two sources whether they are one under two names; remembered for the project. */
    @PostMapping("/cuts/{id}/turnover/sources")
    void sources(@PathVariable long id, @Valid @RequestBody Pairing pairing, Asker who) {
        turnovers.sayOfSources(id, pairing.older(), pairing.newer(), pairing.same(), who);
    }

    /** Makes pieces of the master as they are in a cut; all of them where none is named. */
    @PostMapping("/cuts/{id}/as-in-cut")
    void asInCut(@PathVariable long id, @Valid @RequestBody Pieces pieces, @RequestParam(required = false) Long master,
                 Asker who) {
        turnovers.asInCut(id, master, pieces.sections(), who);
    }

    /**
     * What a list handed back now would hold.
     *
     * @param master     which master; the project's first without
     * @param gap        whether nothing stands where no render is, instead of the edit room's own source
     * @param shortReels whether reel names are cut to eight letters
     */
    @GetMapping("/projects/{id}/hand-back")
    @Transactional(readOnly = true)
    public HandBackView handBackView(@PathVariable long id, @RequestParam(defaultValue = "edl") String format,
                                     @RequestParam(required = false) Long master,
                                     @RequestParam(defaultValue = "false") boolean gap,
                                     @RequestParam(defaultValue = "false") boolean shortReels) {
        HandBack.HandedBack back = handing.list(id, master, rest(gap));
        Written written = Formats.writer(format).write(back.cut(), new WriteOptions(null, shortReels, 0));
        List<Remark> remarks = new ArrayList<>(back.remarks());
        remarks.addAll(written.remarks());
        return new HandBackView(remarks.stream().map(r -> new IntakeView.Note(r.severity().word(), r.place(),
                r.text())).toList(), back.tally());
    }

    private static HandBack.Rest rest(boolean gap) {
        return gap ? HandBack.Rest.GAP : HandBack.Rest.BOARD;
    }

    /**
     * The list itself, in the format asked for: events name our renders and the renders' own timecode. From the first one on
     * shots keep their numbers, which is why it is not asked for by GET.
     */
    @PostMapping("/projects/{id}/hand-back/{format}")
    ResponseEntity<byte[]> handBackFile(@PathVariable long id, @PathVariable String format,
                                        @RequestParam(defaultValue = "false") boolean shortReels,
                                        @RequestParam(defaultValue = "false") boolean gap,
                                        @RequestParam(required = false) Long master) {
        HandBack.HandedBack back = handing.back(id, master, rest(gap));
        Written written = Formats.writer(format).write(back.cut(), new WriteOptions(null, shortReels, 0));
        String ending = format.equals("xmeml") ? "xml" : format;
        return attachment(RenderName.fileSafe(back.cut().name()) + "_handed_back." + ending, written.bytes());
    }

    private static <T> ResponseEntity<T> attachment(String name, T bytes) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"").body(bytes);
    }
}
