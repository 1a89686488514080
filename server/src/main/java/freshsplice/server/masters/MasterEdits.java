package freshsplice.server.masters;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.master.CutRanges;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeamEdits;
import freshsplice.core.master.Section;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Fades;
import freshsplice.core.master.edit.LiveCamera;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.shots.ShotMaker;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.SectionRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Edits of masters, each as one step. What shots show of themselves follows by itself: there is nothing to make equal. */
@Service
public class MasterEdits {
    private final Store store;
    private final MasterStore masters;
    private final Steps steps;
    private final ShotMaker shotMaker;

    MasterEdits(Store store, MasterStore masters, Steps steps, ShotMaker shotMaker) {
        this.store = store;
        this.masters = masters;
        this.steps = steps;
        this.shotMaker = shotMaker;
    }

    /** @throws IllegalArgumentException if it cannot be done; the message says which frame and why */
    public void make(long masterId, MasterEdit edit, String who) {
        MasterRow asked = store.get(MasterRow.class, masterId);
        steps.make(asked.projectId, name(asked, edit), who, () -> {
            MasterRow row = store.get(MasterRow.class, masterId);
            Master before = masters.read(row);
            Map<Long, ShotRow> shots = masters.shotRows(row.projectId);
            Master after = edited(row, before, edit, shots);
            masters.write(row, before, after);
            follow(after, shots);
            return null;
        });
    }

    /** The shots' cut ranges, and whether they are in the master at all, are read off the master. */
    private static void follow(Master master, Map<Long, ShotRow> rows) {
        CutRanges.of(master.main().sections()).forEach((id, range) -> {
            rows.get(id).cutIn = range.in();
            rows.get(id).cutOut = range.out();
        });
        MasterStore.markOmitted(master, rows);
    }

    private Master edited(MasterRow row, Master master, MasterEdit edit, Map<Long, ShotRow> shots) {
        if (edit.kind() == MasterEdit.Kind.ROLL) {
            return SeamEdits.move(master, needed(edit.at(), "at"), needed(edit.frames(), "frames"));
        }
        if (edit.kind() == MasterEdit.Kind.NEW_SHOT) {
            return withNewShot(row, master, needed(edit.at(), "at"), needed(edit.frames(), "frames"), shots);
        }
        if (edit.sections() == null || edit.sections().isEmpty()) {
            throw new Refused("Choose a piece first");
        }
        List<Place> places = edit.sections().stream().map(id -> Place.of(master, id)).toList();
        return switch (edit.kind()) {
            case LIFT -> Arranging.lift(master, places);
            case TAKE_OUT -> Arranging.takeOut(master, places);
            case SWITCH -> switched(master, places);
            default -> {
                // pieces are named by id: an edit of one does not move the name of the next
                Master edited = master;
                for (long id : edit.sections()) {
                    edited = one(edited, Place.of(edited, id), edit, shots);
                }
                yield edited;
            }
        };
    }

    private static Master one(Master master, Place place, MasterEdit edit, Map<Long, ShotRow> shots) {
        boolean ripple = Boolean.TRUE.equals(edit.ripple());
        return switch (edit.kind()) {
            case HEAD -> Trims.head(master, place, edit.at() != null ? edit.at() - place.in(master).record().in()
                    : needed(edit.frames(), "frames"), ripple);
            case TAIL -> Trims.tail(master, place, edit.at() != null ? edit.at() - place.in(master).record().out()
                    : needed(edit.frames(), "frames"), ripple);
            case SLIP -> Trims.slip(master, place, Rational.of(needed(edit.frames(), "frames")));
            case SLIDE -> Trims.slide(master, place, needed(edit.frames(), "frames"));
            case SPLIT -> Arranging.split(master, place, needed(edit.at(), "at"));
            case JOIN -> Arranging.join(master, place);
            case DUPLICATE -> Arranging.duplicate(master, place);
            case SWAP -> Arranging.swap(master, place);
            case MOVE -> Arranging.move(master, place, needed(edit.at(), "at"));
            case FILL -> Retiming.fill(master, place, edit.frames() == null ? needed(edit.at(), "at")
                    : place.in(master).record().in() + edit.frames(), ripple);
            case FILL_GAP -> Retiming.fillGap(master, place);
            case SPEED -> Retiming.speed(master, place, Rational.parse(edit.speed() == null ? "" : edit.speed()));
            case REVERSE -> Retiming.reverse(master, place);
            case HOLD -> Retiming.hold(master, place, needed(edit.at(), "at"));
            case DISSOLVE -> Fades.dissolve(master, place, needed(edit.frames(), "frames"));
            case FADE_OUT -> Fades.toBlack(master, place, needed(edit.frames(), "frames"));
            case CUT_TO -> cutTo(master, place, needed(edit.at(), "at"), needed(edit.shotId(), "shotId"), shots);
            default -> throw new Refused(edit.kind() + " is not done to one piece");
        };
    }

    private static Master switched(Master master, List<Place> places) {
        boolean anyOn = places.stream().anyMatch(p -> p.in(master).enabled());
        Master edited = master;
        for (Place place : places) {
            edited = Arranging.enable(edited, place, !anyOn);
        }
        return edited;
    }

    private static Master cutTo(Master master, Place place, long at, long shotId, Map<Long, ShotRow> shots) {
        ShotRow to = shots.get(shotId);
        ShotRow from = shots.get(place.in(master).shotId());
        if (to == null) {
            throw new Refused("That shot is not there any more: choose another");
        }
        return LiveCamera.cutTo(master, place, at, MasterStore.shot(from), MasterStore.shot(to));
    }

    private Master withNewShot(MasterRow row, Master master, long at, long frames, Map<Long, ShotRow> shots) {
        if (frames < 1 || frames > 1_000_000) {
            throw new Refused("A new shot lasts 1 to 1000000 frames");
        }
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        ShotNumbering numbering = ProjectRules.numbering(project);
        List<Section> sections = master.main().sections();
        String before = sections.stream().filter(s -> s.record().in() < at).reduce((a, b) -> b)
                .map(s -> shots.get(s.shotId()).code).orElse(null);
        String after = sections.stream().filter(s -> s.record().in() >= at).findFirst()
                .map(s -> shots.get(s.shotId()).code).orElse(null);
        String code = numbering.between(before, after, masters.codesInUse(project.id));
        FrameRange range = FrameRange.ofLength(project.firstFrame, frames);
        Shot shot = new Shot(0, code, range, project.handles, at - master.start() - project.firstFrame,
                new Shot.Anchor("", "", project.firstFrame, Rational.ZERO, Rational.ONE, false));
        long camera = shotMaker.camera(project, row.sceneId, Conform.cameraOf(code));
        ShotRow made = shotMaker.shot(project, row.sceneId, camera, shot, null, null);
        shots.put(made.id, made);
        return Arranging.insert(master, 0, at, Section.ofShot(0, made.id, FrameRange.ofLength(at, frames),
                Rational.of(project.firstFrame)));
    }

    private static long needed(Long value, String field) {
        if (value == null) {
            throw new Refused("This edit needs \"" + field + "\"");
        }
        return value;
    }

    private String name(MasterRow row, MasterEdit edit) {
        boolean none = edit.sections() == null || edit.kind() == MasterEdit.Kind.NEW_SHOT
                || edit.kind() == MasterEdit.Kind.ROLL;
        Set<Long> ids = none ? Set.of() : Set.copyOf(edit.sections());
        // only what is named is read here: the edit itself reads the rest, in its transaction
        List<SectionRow> named = store.whereIn(SectionRow.class, "id", List.copyOf(ids)).stream()
                .filter(r -> r.masterId == row.id).sorted(Comparator.comparingLong(r -> r.recIn)).toList();
        Map<Long, String> codeOf = store.whereIn(ShotRow.class, "id", named.stream().map(r -> r.shotId).distinct().toList())
                .stream().collect(Collectors.toMap(r -> r.id, r -> r.code));
        List<String> codes = named.stream().map(r -> codeOf.get(r.shotId)).distinct().toList();
        String what = codes.isEmpty() ? "" : codes.size() > 3 ? " " + codes.size() + " pieces"
                : " " + String.join(", ", codes);
        Long frames = edit.frames();
        boolean moves = frames != null && Set.of(MasterEdit.Kind.ROLL, MasterEdit.Kind.HEAD, MasterEdit.Kind.TAIL, MasterEdit.Kind.SLIP,
                MasterEdit.Kind.SLIDE).contains(edit.kind());
        return edit.kind().words() + what + (!moves ? "" : " by " + (frames > 0 ? "+" : "−") + Math.abs(frames)
                + (Math.abs(frames) == 1 ? " frame" : " frames"));
    }
}
