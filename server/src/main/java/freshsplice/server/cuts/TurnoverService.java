package freshsplice.server.cuts;

import freshsplice.core.camera.Camera;
import freshsplice.core.changes.Applying;
import freshsplice.core.changes.Change;
import freshsplice.core.changes.ChangeKind;
import freshsplice.core.changes.ChangeWords;
import freshsplice.core.changes.Demand;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Source;
import freshsplice.core.identity.SameSources;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Found;
import freshsplice.core.time.FrameRange;
import freshsplice.core.words.Counted;
import freshsplice.server.cuts.store.CutStore;
import freshsplice.server.masters.MasterEdits;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.shots.ShotMaker;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.stages.StageStore;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.BoardRow;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a newer cut changes, and carrying chosen changes into the master as one step. */
@Service
public class TurnoverService {
    private record Side(MasterRow row, Master master, Map<Long, ShotRow> shots, Map<Long, Camera> cameras, CutRow cutRow,
                        Cut cut, Turnover turnover) {
    }

    private final Store store;
    private final MasterStore masters;
    private final CutStore cuts;
    private final Comparing comparing;
    private final Receiving receiving;
    private final Sources sources;
    private final Steps steps;
    private final ShotMaker shotMaker;
    private final MasterEdits edits;
    private final KnownSources known;
    private final StageStore stages;

    TurnoverService(Store store, MasterStore masters, CutStore cuts, Comparing comparing, Receiving receiving,
                    Sources sources, Steps steps, ShotMaker shotMaker, MasterEdits edits, KnownSources known,
                    StageStore stages) {
        this.stages = stages;
        this.edits = edits;
        this.known = known;
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.comparing = comparing;
        this.receiving = receiving;
        this.sources = sources;
        this.steps = steps;
        this.shotMaker = shotMaker;
    }

    /** @param masterId null for the project's first master */
    private Side compare(long cutId, Long masterId) {
        CutRow cutRow = store.get(CutRow.class, cutId);
        MasterRow row = masters.asked(cutRow.projectId, masterId)
                .orElseThrow(() -> new Refused("There is no master yet: receive a first cut in Intake"));
        Cut cut = cuts.picked(cutRow);
        Master master = masters.read(row);
        Map<Long, ShotRow> shots = masters.shotRows(cutRow.projectId);
        List<CutPiece> pieces = cuts.pieces(cutRow);
        return new Side(row, master, shots, stages.cameras(row.sceneId), cutRow, cut, comparing.turnover(row, master, shots, pieces, cut));
    }

    @Transactional(readOnly = true)
    public TurnoverView view(long cutId, Long masterId) {
        Side side = compare(cutId, masterId);
        Finders finders = finders(side);
        List<TurnoverView.Piece> ours = side.turnover.pieces().stream().map(l -> l.section()).map(s ->
                new TurnoverView.Piece(s.record().in(), s.record().out(), side.shots.get(s.shotId()).code, null, 0)).toList();
        List<TurnoverView.Piece> theirs = new ArrayList<>();
        for (int i = 0; i < side.turnover.changes().pairs().size(); i++) {
            CutPiece piece = side.turnover.newPiece(i);
            theirs.add(theirs(piece, finders.find(Lane.Kind.PICTURE, Sources.wanted(piece, side.cut.rate()))
                    .map(Found::file).orElse(null)));
        }
        List<TurnoverView.Change> changes = new ArrayList<>();
        for (int i = 0; i < side.turnover.changes().changes().size(); i++) {
            changes.add(change(i, side.turnover.changes().changes().get(i), side));
        }
        return new TurnoverView(cutId, side.cutRow.version, side.cut.name(), Objects.equals(side.row.cutId, cutId),
                side.turnover.changes().kept(), side.master.end() - side.master.start(), side.cut.record().length(),
                ours, theirs, changes, sameSources(side));
    }

    private static TurnoverView.Piece theirs(CutPiece piece, Candidate file) {
        FrameRange edge = piece.edge();
        return new TurnoverView.Piece(edge.in(), edge.out(), piece.name(), file == null ? null : file.id(), file == null ? 0
                : MediaFrames.of(file, piece.source(), edge, piece.time()).frameAt(piece.from()));
    }

    private Finders finders(Side side) {
        return sources.finders(side.cutRow.projectId, Sources.all(side.cut));
    }

    private TurnoverView.Change change(int index, Change c, Side side) {
        Shot shot = side.turnover.shotOf(c).orElse(null);
        Demand demand = Demand.of(c, side.turnover, shot == null ? null : side.cameras.get(side.shots.get(shot.id()).cameraId));
        String olderKey = shot == null ? "" : shot.anchor().key();
        String newerKey = c.newIndex() < 0 ? "" : side.turnover.newPiece(c.newIndex()).identity();
        return new TurnoverView.Change(index, side.turnover.nameOf(c), olderKey, newerKey, c.kind(), c.oldIndex(), c.newIndex(),
                shot == null ? null : shot.id(), shot == null ? "" : shot.code(), c.name(), ChangeWords.what(c, demand), c.head(),
                c.tail(), c.slip(), c.shift(), demand.needs(), ChangeWords.asks(c, demand),
                c.kind() == ChangeKind.SHIFTED && c.because() >= 0, c.because(), demand.past(), TurnoverView.Span.of(demand.covered()),
                TurnoverView.Span.of(demand.shown()));
    }

    /**
     * What applying left.
     *
     * @param applied how many of the chosen changes were applied
     * @param left    what was chosen and is not there any more: somebody edited its piece meanwhile; in words
     */
    public record Applied(int applied, List<String> left) {
    }

    /**
     * Applies chosen changes as one step. Camera work stays; what is omitted is kept aside. A change that has moved on since
     * it was shown is left and said.
     *
     * @param chosen changes by what they are, each with its words
     */
    public Applied apply(long cutId, Long masterId, Map<String, String> chosen, String who) {
        CutRow asked = store.get(CutRow.class, cutId);
        String name = "Apply " + Counted.of(chosen.size(), "change") + " of cut "
                + asked.version;
        return steps.make(asked.projectId, name, who, () -> {
            Side side = compare(cutId, masterId);
            Map<String, Integer> there = new HashMap<>();
            List<Change> changes = side.turnover.changes().changes();
            for (int i = 0; i < changes.size(); i++) {
                there.put(side.turnover.nameOf(changes.get(i)), i);
            }
            Set<Integer> found = new HashSet<>();
            List<String> left = new ArrayList<>();
            chosen.forEach((change, words) -> {
                if (there.containsKey(change)) {
                    found.add(there.get(change));
                } else {
                    left.add(words);
                }
            });
            if (found.isEmpty()) {
                throw new Refused("None of these changes is there any more: the master was edited since the list was shown. "
                        + "Look at it again");
            }
            carry(side, found);
            return new Applied(found.size(), left);
        });
    }

    private void carry(Side side, Set<Integer> chosen) {
        ProjectRow project = store.get(ProjectRow.class, side.cutRow.projectId);
        Applying.Applied applied = Applying.apply(side.turnover, chosen, project.firstFrame);
        Finders finders = finders(side);
        applied.shots().forEach((id, shot) -> change(side, side.shots.get(id), shot, finders));
        edits.write(side.row, side.master, withNewShots(project, side, applied, finders));
        if (chosen.containsAll(edits(side.turnover))) {
            takeSound(side, finders);
        }
        side.row.cutId = side.cutRow.id;
    }

    /**
     * Makes pieces of the master as they are in a cut, as one step: all that the cut changes of them.
     *
     * @param sections ids of the pieces; empty for all
     */
    public void asInCut(long cutId, Long masterId, Set<Long> sections, String who) {
        CutRow asked = store.get(CutRow.class, cutId);
        steps.make(asked.projectId, "Make " + (sections.isEmpty() ? "the master" : sections.size() == 1 ? "1 piece"
                : sections.size() + " pieces") + " as in cut " + asked.version, who, () -> {
            Side side = compare(cutId, masterId);
            Set<Integer> chosen = ofPieces(side, sections);
            if (chosen.isEmpty()) {
                throw new Refused("That is as in the cut already, frame by frame");
            }
            carry(side, chosen);
            return null;
        });
    }

    private static Set<Integer> ofPieces(Side side, Set<Long> sections) {
        List<LivePieces.Live> ours = side.turnover.pieces();
        List<Change> changes = side.turnover.changes().changes();
        Set<Integer> chosen = new HashSet<>();
        for (int i = 0; i < changes.size(); i++) {
            int old = changes.get(i).oldIndex();
            if (sections.isEmpty() || old >= 0 && sections.contains(ours.get(old).outer().id())) {
                chosen.add(i);
            }
        }
        return chosen;
    }

    /** Remembers for the project whether two sources are one under two names. */
    public void sayOfSources(long cutId, String older, String newer, boolean same, String who) {
        known.say(store.get(CutRow.class, cutId).projectId, older, newer, same, who);
    }

    private List<TurnoverView.SameSource> sameSources(Side side) {
        List<TurnoverView.SameSource> list = new ArrayList<>(side.turnover.sameSources().stream()
                .map(l -> new TurnoverView.SameSource(l.older(), l.newer(), label(l.older()), label(l.newer()), true,
                        l.sureness(), String.join(", ", l.because()))).toList());
        known.pairings(side.cutRow.projectId).stream().filter(p -> !p.same)
                .forEach(p -> list.add(new TurnoverView.SameSource(p.olderKey, p.newerKey, label(p.olderKey),
                        label(p.newerKey), false, SameSources.Sureness.DECIDED, "somebody said so")));
        return list;
    }

    private static String label(String identity) {
        return Source.ofIdentity(identity).label();
    }

    /** Every change but those that follow by themselves. */
    private static Set<Integer> edits(Turnover turnover) {
        Set<Integer> edits = new HashSet<>();
        List<Change> changes = turnover.changes().changes();
        for (int i = 0; i < changes.size(); i++) {
            if (changes.get(i).because() < 0) {
                edits.add(i);
            }
        }
        return edits;
    }

    private void change(Side side, ShotRow row, Shot shot, Finders finders) {
        if (!row.anchorKey.equals(shot.anchor().key())) {
            BoardRow board = store.where(BoardRow.class, "shotId", row.id).stream().findFirst().orElseThrow();
            board.sourceName = shot.anchor().name();
            board.sourceKey = shot.anchor().key();
            shotMaker.show(board, shot, Sources.wanted(side.cut).get(Lane.Kind.PICTURE).stream()
                    .filter(w -> w.source().identity().equals(shot.anchor().key())).findFirst().orElse(null), finders);
        }
        masters.fill(row, shot);
    }

    private Master withNewShots(ProjectRow project, Side side, Applying.Applied applied, Finders finders) {
        Set<String> used = masters.codesInUse(project.id);
        ShotNumbering numbering = ProjectRules.numbering(project);
        List<Section> sections = new ArrayList<>(applied.master().main().sections());
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            if (section.shotId() < 0) {
                CutPiece piece = applied.newShots().get((int) -section.shotId() - 1);
                String code = numbering.between(codeAt(sections, i - 1, side), codeAfter(sections, i, side), used);
                used.add(code);
                long offset = actionAt(sections, i, side) - project.firstFrame;
                Shot shot = new Shot(0, code, FrameRange.ofLength(project.firstFrame, piece.record().length()),
                        project.handles, offset, FirstMaster.anchor(piece, project.firstFrame));
                long camera = shotMaker.camera(project, side.row.sceneId, Conform.cameraOf(code));
                ShotRow row = shotMaker.shot(project, side.row.sceneId, camera, shot,
                        Sources.wanted(piece, side.cut.rate()), finders);
                side.shots.put(row.id, row);
                sections.set(i, section.named(0).showing(new Section.Content.OfShot(row.id), section.from()));
            }
        }
        return applied.master().withMain(sections);
    }

    private static String codeAt(List<Section> sections, int index, Side side) {
        for (int i = index; i >= 0; i--) {
            if (sections.get(i).shotId() > 0) {
                return side.shots.get(sections.get(i).shotId()).code;
            }
        }
        return null;
    }

    private static String codeAfter(List<Section> sections, int index, Side side) {
        for (int i = index + 1; i < sections.size(); i++) {
            if (sections.get(i).shotId() > 0) {
                return side.shots.get(sections.get(i).shotId()).code;
            }
        }
        return null;
    }

    /** A new shot takes up the action where the shot before it leaves it. */
    private static long actionAt(List<Section> sections, int index, Side side) {
        if (index == 0 || sections.get(index - 1).shotId() <= 0) {
            return 0;
        }
        Section before = sections.get(index - 1);
        return MasterStore.shot(side.shots.get(before.shotId())).actionAt(before.to()).floor();
    }

    private void takeSound(Side side, Finders finders) {
        List<Receiving.SoundPiece> pieces = receiving.sound(side.cutRow.projectId, side.cut, finders);
        if (!pieces.isEmpty()) {
            store.where(SoundRow.class, "masterId", side.row.id).forEach(store::remove);
            receiving.layOutSound(side.row.id, pieces);
        }
    }
}
