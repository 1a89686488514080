package freshsplice.server.cuts;

import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.CodePattern;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.conform.Sequences;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.conform.SourceNames;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.LivePiece;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.InputFile;
import freshsplice.exchange.Limits;
import freshsplice.exchange.ReadOptions;
import freshsplice.exchange.Reading;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.media.MediaStore;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.CutApartRow;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A cut arrives: it is read, shown, its choices are made, and it is received as one step. */
@Service
public class Intake {
    private final Store store;
    private final CutStore cuts;
    private final MediaStore media;
    private final MasterStore masters;
    private final Steps steps;
    private final Receiving receiving;
    private final Comparing comparing;

    Intake(Store store, CutStore cuts, MediaStore media, MasterStore masters, Steps steps, Receiving receiving,
           Comparing comparing) {
        this.store = store;
        this.cuts = cuts;
        this.media = media;
        this.masters = masters;
        this.steps = steps;
        this.receiving = receiving;
        this.comparing = comparing;
    }

    /** Whether a file's name says that it is a cut. */
    public static boolean isCut(String name) {
        return name.toLowerCase().matches(".*\\.(edl|xml|aaf|otio|otioz)");
    }

    /** Reads a kept file as a new version of the project's edit. Nothing is made of it yet. */
    @Transactional
    public CutRow look(long projectId, MediaStore.Kept kept, FrameRate rate) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        List<CutRow> before = all(projectId);
        FrameRate wanted = rate != null ? rate : masters.of(projectId).map(m -> project.rate).orElse(null);
        CutRow row = new CutRow();
        row.projectId = projectId;
        row.version = before.stream().mapToInt(c -> c.version).max().orElse(0) + 1;
        row.fileName = kept.name();
        row.stored = kept.stored();
        row.sha256 = kept.sha256();
        row.state = CutRow.State.LOOKED_AT;
        row.receivedAt = Instant.now();
        read(row, wanted);
        return row;
    }

    /** Reads the file again at another rate. */
    @Transactional
    public void changeRate(long cutId, FrameRate rate) {
        CutRow row = notYetReceived(cutId);
        read(row, rate);
    }

    private void read(CutRow row, FrameRate rate) {
        Reading reading;
        try {
            InputFile file = new InputFile(row.fileName, Files.readAllBytes(media.file(row.stored)));
            reading = Formats.read(file, new ReadOptions(rate, Limits.DEFAULT));
        } catch (IOException e) {
            throw new UncheckedIOException(row.fileName + " cannot be read from the disk any more", e);
        }
        int chosen = row.id == null ? Sequences.likeliest(reading.cuts()) : row.chosen;
        Cut cut = reading.cuts().get(Math.max(0, Math.min(chosen, reading.cuts().size() - 1)));
        if (cut.record().isEmpty()) {
            throw new Refused(row.fileName + " holds a sequence without a frame: there is nothing to make shots of");
        }
        row.chosen = chosen;
        row.name = cut.name().length() > 500 ? cut.name().substring(0, 500) : cut.name();
        row.rate = cut.rate();
        row.rateReason = rate != null ? null : reading.remarks().stream()
                .filter(r -> r.text().contains("does not say its rate")).map(Remark::text).findFirst().orElse(null);
        row.dropFrame = cut.dropFrame();
        row.recIn = cut.record().in();
        row.recOut = cut.record().out();
        if (row.id == null) {
            store.add(row);
        }
        cuts.write(row, cut, reading.remarks());
        cuts.writeChoices(row, reading.cuts());
    }

    /** Takes another of the file's sequences. */
    @Transactional
    public void choose(long cutId, int sequence) {
        CutRow row = notYetReceived(cutId);
        row.chosen = sequence;
        row.pickedLane = null;
        read(row, row.rateReason == null && masters.of(row.projectId).isPresent() ? row.rate : null);
    }

    /** Makes shots of one picture lane, or of what is seen of all where none is named. */
    @Transactional
    public void pickLane(long cutId, Integer lane) {
        CutRow row = notYetReceived(cutId);
        row.pickedLane = lane;
    }

    /** Leaves one seam open that could be closed, or closes it again. */
    @Transactional
    public void keepApart(long cutId, long seam, boolean apart) {
        notYetReceived(cutId);
        List<CutApartRow> there = store.where(CutApartRow.class, "cutId", cutId).stream()
                .filter(a -> a.seam == seam).toList();
        if (apart && there.isEmpty()) {
            CutApartRow row = new CutApartRow();
            row.cutId = cutId;
            row.seam = seam;
            store.add(row);
        } else if (!apart) {
            there.forEach(store.entities()::remove);
        }
    }

    private CutRow notYetReceived(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        if (row.state == CutRow.State.RECEIVED) {
            throw new Refused("Cut " + row.version + " has been received; undo that first to change how it is read");
        }
        return row;
    }

    /** Receives a cut as one step: the first makes shots, cameras, boards, a master; a later one waits in Turnover. */
    public void receive(long cutId, String who) {
        CutRow looked = store.get(CutRow.class, cutId);
        steps.make(looked.projectId, "Receive " + looked.name + ", cut " + looked.version, who, () -> {
            CutRow row = notYetReceived(cutId);
            ProjectRow project = store.get(ProjectRow.class, row.projectId);
            boolean first = masters.of(project.id).isEmpty();
            if (!first && !row.rate.equals(project.rate)) {
                throw new Refused("This cut runs at " + row.rate + " frames/s and the project at " + project.rate
                        + ": read it at the project's rate");
            }
            if (first) {
                Cut cut = cuts.picked(row);
                ConformPlan plan = plan(project, row, cut);
                project.rate = cut.rate();
                project.dropFrame = cut.dropFrame();
                receiving.receive(project, row, cut, FirstMaster.of(cut, plan, project.handles), plan);
            }
            row.state = CutRow.State.RECEIVED;
            row.receivedAt = Instant.now();
            return null;
        });
    }

    /** Changes how shots are numbered from now on, as one step. What was numbered stays. */
    public void number(long projectId, Numbering wanted, String who) {
        wanted.check();
        steps.make(projectId, "Change how shots are numbered", who, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            project.prefix = wanted.prefix();
            project.numberStep = wanted.step();
            project.digits = wanted.digits();
            project.firstFrame = wanted.firstFrame();
            project.handles = wanted.handles();
            project.codePattern = wanted.pattern();
            return null;
        });
    }

    public List<CutRow> all(long projectId) {
        return store.where(CutRow.class, "projectId", projectId);
    }

    ConformPlan plan(ProjectRow project, CutRow row, Cut cut) {
        Set<Long> apart = cuts.apart(row.id);
        ShotNumbering numbering = new ShotNumbering(project.prefix, project.numberStep, project.digits,
                project.firstFrame);
        // a cut that was received shows the codes it was given then
        Set<String> used = row.state == CutRow.State.RECEIVED && row.version == 1 ? Set.of()
                : masters.codesInUse(project.id);
        CodePattern pattern = project.codePattern == null ? null : CodePattern.of(project.codePattern);
        return Conform.plan(cut, numbering, pattern, apart::contains, used);
    }

    /** What came and what will be made of it. */
    @Transactional(readOnly = true)
    public IntakeView view(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Cut cut = cuts.read(row);
        Cut picked = cuts.picked(row);
        ConformPlan plan = plan(project, row, picked);
        SourceNames pictures = media.names(project.id, false);
        SourceNames sounds = media.names(project.id, true);
        List<IntakeView.Shot> shots = shots(plan, cuts.apart(row.id), pictures, ourCodes(project.id, row, picked, plan));
        int sameAs = all(project.id).stream().filter(c -> c.id < row.id && c.sha256.equals(row.sha256))
                .mapToInt(c -> c.version).findFirst().orElse(0);
        return new IntakeView(row.id, row.version, row.name, row.fileName, row.rate.toString(), row.rateReason,
                List.of("24000/1001", "24", "25", "30000/1001", "30", "48", "50", "60000/1001", "60"), row.dropFrame,
                row.recIn, row.recOut, cut.timecodeAt(row.recIn).label(), cut.timecodeAt(row.recOut).label(),
                row.state == CutRow.State.RECEIVED, masters.of(project.id).isEmpty() || row.version == 1, sameAs,
                cut.lanes().stream().map(l -> lane(l, l.kind() == Lane.Kind.SOUND ? sounds : pictures)).toList(), shots,
                plan.gaps().stream().map(g -> new IntakeView.Gap(g.in(), g.out(),
                        cut.timecodeAt(g.in()).label())).toList(),
                missing(picked, pictures, sounds), remarks(row.id, plan),
                receiving.sound(project.id, cut).stream().map(s -> new IntakeView.Sound(s.lane(), s.name(),
                        s.mediaId(), s.record().in(), s.record().out())).toList(), project.firstFrame,
                project.handles, cuts.choices(row.id).stream().map(c -> new IntakeView.Choice(c.name, c.frames, c.events))
                        .toList(), row.chosen, row.pickedLane,
                new Numbering(project.prefix, project.numberStep, project.digits, project.firstFrame, project.handles,
                        project.codePattern));
    }

    private List<IntakeView.Note> remarks(long cutId, ConformPlan plan) {
        return Stream.concat(cuts.remarks(cutId).stream(), plan.remarks().stream())
                .map(r -> new IntakeView.Note(r.severity().word(), r.place(), r.text())).toList();
    }

    private static IntakeView.Lane lane(Lane lane, SourceNames names) {
        return new IntakeView.Lane(lane.name(), lane.kind().word(), lane.enabled(), lane.events().stream()
                .map(e -> new IntakeView.Event(e.record().in(), e.record().out(), e.name(), e.enabled(),
                        names.find(Receiving.namesOf(e.source())).map(SourceNames.Found::id).orElse(null)))
                .toList());
    }

    /** Codes of the shots that a later cut's pieces are; empty for the first cut, whose pieces become shots. */
    private List<String> ourCodes(long projectId, CutRow row, Cut cut, ConformPlan plan) {
        MasterRow master = masters.of(projectId).orElse(null);
        if (master == null || row.version == 1) {
            return List.of();
        }
        List<CutPiece> pieces = plan.shots().stream().map(PlannedShot::piece).toList();
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        Turnover turnover = comparing.turnover(master, masters.read(master), shots, pieces, cut);
        return IntStream.range(0, pieces.size()).mapToObj(n -> turnover.ourShotOf(n).map(Shot::code).orElse("new"))
                .toList();
    }

    private static List<IntakeView.Shot> shots(ConformPlan plan, Set<Long> apart, SourceNames pictures,
                                               List<String> ours) {
        return IntStream.range(0, plan.shots().size()).mapToObj(i -> shot(plan.shots().get(i),
                ours.isEmpty() ? plan.shots().get(i).code() : ours.get(i), apart, pictures)).toList();
    }

    private static IntakeView.Shot shot(PlannedShot planned, String code, Set<Long> apart, SourceNames pictures) {
        CutPiece piece = planned.piece();
        SourceNames.Found found = pictures.find(Receiving.namesOf(piece.source())).orElse(null);
        return new IntakeView.Shot(code, piece.record().in(), piece.record().out(), planned.frames().in(),
                planned.frames().last(), planned.camera(), piece.name(), piece.paths().size(),
                piece.joined() == null ? null : piece.paths().size() + " " + piece.joined().words(),
                piece.seams(), apart.contains(piece.record().in()), found == null ? null : found.id(), piece.name(),
                found == null ? null : found.fit().words());
    }

    /** What is seen or heard and nothing given fits: nested cuts opened, nothing that is switched off or covered. */
    private static List<IntakeView.Missing> missing(Cut cut, SourceNames pictures, SourceNames sounds) {
        Map<String, IntakeView.Missing> missing = new LinkedHashMap<>();
        for (LivePiece piece : LivePicture.of(cut)) {
            count(missing, piece.event().source(), Lane.Kind.PICTURE, pictures, piece.record().length());
        }
        for (int index : cut.lanesOf(Lane.Kind.SOUND)) {
            Lane lane = cut.lanes().get(index);
            for (Event event : lane.enabled() ? lane.events() : List.<Event>of()) {
                if (event.enabled()) {
                    count(missing, event.source(), Lane.Kind.SOUND, sounds, event.record().length());
                }
            }
        }
        return List.copyOf(missing.values());
    }

    private static void count(Map<String, IntakeView.Missing> missing, Source source, Lane.Kind kind, SourceNames names,
                              long frames) {
        if (source != null && names.find(Receiving.namesOf(source)).isEmpty()) {
            missing.merge(kind + source.label(), new IntakeView.Missing(source.label(), kind.word(), 1, frames),
                    (a, b) -> new IntakeView.Missing(a.name(), a.kind(), a.uses() + 1, a.frames() + b.frames()));
        }
    }
}
