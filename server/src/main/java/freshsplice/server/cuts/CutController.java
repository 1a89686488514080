package freshsplice.server.cuts;

import freshsplice.core.conform.SourceNames;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.delivery.HandBack;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.UnreadableFile;
import freshsplice.exchange.WriteOptions;
import freshsplice.exchange.Written;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.masters.LaidSound;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.masters.SequenceService;
import freshsplice.server.media.MediaStore;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.BoardRow;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import freshsplice.server.web.Who;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import org.springframework.web.multipart.MultipartFile;

/** Cuts and pictures come in, cuts go out. */
@RestController
@RequestMapping("/api")
class CutController {
    /**
     * What became of dropped files.
     *
     * @param cutId   the cut among them; null where there was none
     * @param found   boards and sounds that were missing and are there now
     * @param refused a sentence for each file that could not be taken
     */
    record Arrived(@Schema(nullable = true) Long cutId, List<String> media, int found, List<String> refused) {
    }

    record Apart(long seam, boolean apart) {
    }

    record Chosen(Set<Integer> changes) {
    }

    /** A render that stood before the changes and does not now: its shot's code, and why. */
    record OutOfDate(String code, String why) {
    }

    /** What the written list could not say, before it is taken. */
    record HandBackView(List<IntakeView.Note> remarks, int events, int rendered) {
    }

    private final Store store;
    private final Intake intake;
    private final TurnoverService turnovers;
    private final MediaStore media;
    private final MasterStore masters;
    private final SequenceService sequences;
    private final Steps steps;
    private final LiveUpdates live;
    private final LaidSound laidSound;

    CutController(Store store, Intake intake, TurnoverService turnovers, MediaStore media, MasterStore masters,
                  SequenceService sequences, Steps steps, LiveUpdates live, LaidSound laidSound) {
        this.store = store;
        this.intake = intake;
        this.turnovers = turnovers;
        this.media = media;
        this.masters = masters;
        this.sequences = sequences;
        this.steps = steps;
        this.live = live;
        this.laidSound = laidSound;
    }

    /** Takes dropped files: pictures and sound are kept, a cut is read. Nothing is made of it yet. */
    @PostMapping(value = "/projects/{id}/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Arrived files(@PathVariable long id, @RequestParam("files") List<MultipartFile> files, HttpServletRequest request)
            throws IOException {
        store.get(ProjectRow.class, id);
        List<String> taken = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        Long cutId = null;
        for (MultipartFile file : files) {
            String name = String.valueOf(file.getOriginalFilename());
            try {
                MediaStore.Kept kept = media.keep(name, file.getInputStream());
                if (Intake.isCut(kept.name())) {
                    cutId = intake.look(id, kept, null).id;
                } else {
                    taken.add(media.add(id, kept).name);
                }
            } catch (UnreadableFile | Refused | IllegalArgumentException | IOException e) {
                if (String.valueOf(e.getMessage()).contains("No space left")) {
                    throw e;
                }
                refused.add(e.getMessage());
            }
        }
        int found = taken.isEmpty() ? 0 : giveMissing(id, Who.of(request));
        live.tell(id, new LiveUpdates.Update("media", 0, "", ""));
        return new Arrived(cutId, taken, found, refused);
    }

    /** Boards and sounds that were missing fall into their places. */
    private int giveMissing(long projectId, String who) {
        return steps.make(projectId, "Give pictures and sound", who, () -> {
            SourceNames pictures = media.names(projectId, false);
            SourceNames sounds = media.names(projectId, true);
            int found = 0;
            for (BoardRow board : store.whereIn(BoardRow.class, "shotId",
                    List.copyOf(masters.shotRows(projectId).keySet()))) {
                Long id = board.mediaId != null ? null : pictures.find(List.of(board.sourceName))
                        .map(SourceNames.Found::id).orElse(null);
                if (id != null) {
                    board.mediaId = id;
                    found++;
                }
            }
            MasterRow master = masters.of(projectId).orElse(null);
            for (SoundRow sound : master == null ? List.<SoundRow>of()
                    : store.where(SoundRow.class, "masterId", master.id)) {
                Long id = sound.mediaId != null ? null : sounds.find(List.of(sound.name))
                        .map(SourceNames.Found::id).orElse(null);
                if (id != null) {
                    sound.mediaId = id;
                    found++;
                }
            }
            return found;
        });
    }

    @PostMapping("/projects/{id}/numbering")
    void numbering(@PathVariable long id, @RequestBody Numbering wanted, HttpServletRequest request) {
        intake.number(id, wanted, Who.of(request));
    }

    @GetMapping("/cuts/{id}/intake")
    IntakeView intake(@PathVariable long id) {
        return intake.view(id);
    }

    /** The intake on paper: csv or pdf. */
    @GetMapping("/cuts/{id}/report/{format}")
    ResponseEntity<byte[]> report(@PathVariable long id, @PathVariable String format) {
        IntakeView view = intake.view(id);
        IntakeReport report = new IntakeReport(view);
        byte[] bytes = switch (format) {
            case "csv" -> report.csv();
            case "pdf" -> report.pdf();
            default -> throw new Refused("A report is csv or pdf, not \"" + format + "\"");
        };
        return attachment(RenderName.fileSafe(view.name()) + "_cut_" + view.version() + "." + format, bytes);
    }

    @PostMapping("/cuts/{id}/rate")
    void rate(@PathVariable long id, @RequestParam String rate) {
        intake.changeRate(id, FrameRate.parse(rate));
    }

    @PostMapping("/cuts/{id}/apart")
    void apart(@PathVariable long id, @RequestBody Apart apart) {
        intake.keepApart(id, apart.seam(), apart.apart());
    }

    /** Takes another of the file's sequences. */
    @PostMapping("/cuts/{id}/sequence")
    void sequence(@PathVariable long id, @RequestParam int index) {
        intake.choose(id, index);
    }

    /** Makes shots of one picture lane; without one, of what is seen of all. */
    @PostMapping("/cuts/{id}/lane")
    void lane(@PathVariable long id, @RequestParam(required = false) Integer place) {
        intake.pickLane(id, place);
    }

    @PostMapping("/cuts/{id}/receive")
    void receive(@PathVariable long id, HttpServletRequest request) {
        intake.receive(id, Who.of(request));
    }

    /** The file as it was received. */
    @GetMapping("/cuts/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable long id) throws IOException {
        CutRow row = store.get(CutRow.class, id);
        return attachment(row.fileName.replaceAll("[^A-Za-z0-9._-]", "_"),
                java.nio.file.Files.readAllBytes(media.file(row.stored)));
    }

    @GetMapping("/cuts/{id}/turnover")
    TurnoverView turnover(@PathVariable long id) {
        return turnovers.view(id);
    }

    /** Applies chosen changes as one step, and says which renders that puts out of date. */
    @PostMapping("/cuts/{id}/turnover/apply")
    List<OutOfDate> apply(@PathVariable long id, @RequestBody Chosen chosen, HttpServletRequest request) {
        long projectId = store.get(CutRow.class, id).projectId;
        Map<String, String> before = sequences.outOfDate(projectId);
        turnovers.apply(id, chosen.changes(), Who.of(request));
        return sequences.outOfDate(projectId).entrySet().stream()
                .filter(e -> !e.getValue().equals(before.get(e.getKey())))
                .map(e -> new OutOfDate(e.getKey(), e.getValue())).toList();
    }

    /** What a list handed back now would hold. */
    @GetMapping("/projects/{id}/hand-back")
    @Transactional(readOnly = true)
    public HandBackView handBackView(@PathVariable long id) {
        HandBack.HandedBack back = handBack(id);
        Written written = Formats.writer("edl").write(back.cut(), WriteOptions.DEFAULT);
        List<Remark> remarks = new ArrayList<>(back.remarks());
        remarks.addAll(written.remarks());
        List<Event> events = back.cut().lanes().get(0).events();
        return new HandBackView(remarks.stream().map(r -> new IntakeView.Note(r.severity().word(), r.place(),
                r.text())).toList(), events.size(),
                (int) events.stream().filter(e -> RenderName.parse(e.name()).isPresent()).count());
    }

    /** The list itself, in the format asked for: events name our renders and the renders' own timecode. */
    @GetMapping("/projects/{id}/hand-back/{format}")
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> handBackFile(@PathVariable long id, @PathVariable String format,
                                               @RequestParam(defaultValue = "false") boolean shortReels) {
        HandBack.HandedBack back = handBack(id);
        Written written = Formats.writer(format).write(back.cut(), new WriteOptions(null, shortReels, 0));
        String ending = format.equals("xmeml") ? "xml" : format;
        return attachment(RenderName.fileSafe(back.cut().name()) + "_handed_back." + ending, written.bytes());
    }

    private static ResponseEntity<byte[]> attachment(String name, byte[] bytes) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"").body(bytes);
    }

    private HandBack.HandedBack handBack(long projectId) {
        MasterRow row = masters.of(projectId)
                .orElseThrow(() -> new Refused("There is nothing to hand back yet: receive a cut in Intake first"));
        Master master = masters.read(row);
        Map<Long, HandBack.Rendered> renders = new HashMap<>();
        for (RenderRow render : sequences.newestRenders(projectId).values()) {
            RenderName.parse(render.name).ifPresent(name -> renders.put(render.shotId, new HandBack.Rendered(name,
                    render.name + ".mp4", new RenderRange(render.fromPosition, render.speed, render.frames))));
        }
        Map<Long, String> codes = new HashMap<>();
        for (ShotRow shot : masters.shotRows(projectId).values()) {
            codes.put(shot.id, shot.code);
        }
        return HandBack.of(master, renders, codes, laidSound.lanes(row, master.rate()));
    }
}
