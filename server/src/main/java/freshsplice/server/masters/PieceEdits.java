package freshsplice.server.masters;

import freshsplice.core.master.Master;
import freshsplice.core.master.Passage;
import freshsplice.core.master.Section;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Fades;
import freshsplice.core.master.edit.LaneEdits;
import freshsplice.core.master.edit.LiveCamera;
import freshsplice.core.master.edit.Nesting;
import freshsplice.core.master.edit.Pasting;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.master.edit.SeamEdits;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.motion.Easing;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SectionRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.Shots;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** An edit that was asked for, as the core's edit that it is. Writes nothing. */
@Component
class PieceEdits {
    private static final int MOST_PASTED = 5000;

    private final Store store;
    private final MasterStore masters;
    private final NewPieces newPieces;
    private final Shots shots;

    PieceEdits(Store store, MasterStore masters, NewPieces newPieces, Shots shots) {
        this.shots = shots;
        this.store = store;
        this.masters = masters;
        this.newPieces = newPieces;
    }

    Master edited(MasterRow row, Master master, MasterEdit edit) {
        if (!edit.movesOthers()) {
            return alone(row, master, edit);
        }
        return along(master, edit).during(master, lanes(master, edit), held -> alone(row, held, edit));
    }

    Along along(Master master, MasterEdit edit) {
        return edit.along() == null ? Along.usual(lanes(master, edit)) : edit.along();
    }

    /** Indexes of the lanes that an edit is done to. */
    Set<Integer> lanes(Master master, MasterEdit edit) {
        boolean ofLane = edit.kind() == MasterEdit.Kind.PUT || edit.kind() == MasterEdit.Kind.PASTE
                || edit.kind() == MasterEdit.Kind.CLEAR || edit.kind() == MasterEdit.Kind.NEW_SHOT;
        return ofLane ? Set.of(laneIndex(master, edit.lane()))
                : places(master, edit).stream().map(Place::lane).collect(Collectors.toSet());
    }

    private Master alone(MasterRow row, Master master, MasterEdit edit) {
        int lane = laneIndex(master, edit.lane());
        return switch (edit.kind()) {
            case ROLL -> SeamEdits.move(master, lane, needed(edit.at(), "at"), needed(edit.frames(), "frames"));
            case NEW_SHOT -> newPieces.withShot(row, master, needed(edit.at(), "at"), needed(edit.frames(), "frames"));
            case PUT -> put(row, master, lane, edit);
            case PASTE -> paste(row, master, lane, edit);
            case CLEAR -> Arranging.clear(master, lane, range(edit), edit.ripples());
            case LANE_ADD -> LaneEdits.add(master, edit.text());
            case LANE_REMOVE -> LaneEdits.remove(master, lane);
            case LANE_RENAME -> LaneEdits.rename(master, lane, edit.text());
            case LANE_SWITCH -> LaneEdits.enable(master, lane, !master.lanes().get(lane).enabled());
            case LANE_LOCK -> LaneEdits.lock(master, lane, !master.lanes().get(lane).locked());
            case LANE_ORDER -> LaneEdits.reorder(master, lane, Math.toIntExact(needed(edit.frames(), "frames")));
            default -> chosen(row, master, edit);
        };
    }

    List<Place> places(Master master, MasterEdit edit) {
        if (edit.sections() == null || edit.sections().isEmpty()) {
            throw new Refused("Choose a piece first");
        }
        return edit.sections().stream().distinct().map(id -> Place.of(master, id)).toList();
    }

    private Master chosen(MasterRow row, Master master, MasterEdit edit) {
        List<Place> places = places(master, edit);
        return switch (edit.kind()) {
            case LIFT -> Arranging.lift(master, places);
            case TAKE_OUT -> Arranging.takeOut(master, places);
            case SWITCH -> switched(master, places);
            case LAY_DOWN -> LaneEdits.layDown(master, places);
            default -> {
                // pieces are named by id: an edit of one does not move the name of the next
                Master edited = master;
                for (long id : edit.sections().stream().distinct().toList()) {
                    edited = one(row, edited, Place.of(edited, id), edit);
                }
                yield edited;
            }
        };
    }

    private Master one(MasterRow row, Master master, Place place, MasterEdit edit) {
        return switch (edit.kind()) {
            case HEAD, TAIL, SLIP, SLIDE -> trimmed(master, place, edit);
            case SPLIT -> Arranging.split(master, place, needed(edit.at(), "at"));
            case JOIN -> Arranging.join(master, place);
            case DUPLICATE -> Arranging.duplicate(master, place);
            case SWAP -> Arranging.swap(master, place);
            case MOVE -> Arranging.move(master, place, needed(edit.at(), "at"));
            case REPLACE -> replaced(row, master, place, edit);
            case COPY_UP -> LaneEdits.copyUp(master, place);
            case OPEN -> Nesting.open(master, place, masters.nested());
            case DISSOLVE -> Fades.dissolve(master, place, needed(edit.frames(), "frames"), curve(edit));
            case FADE_OUT -> Fades.toBlack(master, place, needed(edit.frames(), "frames"), curve(edit));
            case CUT_TO -> cutTo(master, place, needed(edit.at(), "at"), needed(edit.shotId(), "shotId"));
            default -> retimed(master, place, edit);
        };
    }

    private static Master trimmed(Master master, Place place, MasterEdit edit) {
        FrameRange record = place.in(master).record();
        return switch (edit.kind()) {
            case HEAD -> Trims.head(master, place, edit.at() != null ? edit.at() - record.in()
                    : needed(edit.frames(), "frames"), edit.ripples());
            case TAIL -> Trims.tail(master, place, edit.at() != null ? edit.at() - record.out()
                    : needed(edit.frames(), "frames"), edit.ripples());
            case SLIP -> Trims.slip(master, place, Rational.of(needed(edit.frames(), "frames")));
            default -> Trims.slide(master, place, needed(edit.frames(), "frames"));
        };
    }

    private static Master retimed(Master master, Place place, MasterEdit edit) {
        return switch (edit.kind()) {
            case FILL -> Retiming.fill(master, place, edit.frames() == null ? needed(edit.at(), "at")
                    : Math.addExact(place.in(master).record().in(), edit.frames()), edit.ripples());
            case FILL_GAP -> Retiming.fillGap(master, place);
            case SPEED -> Retiming.speed(master, place, Rational.parse(edit.speed() == null ? "" : edit.speed()));
            case REVERSE -> Retiming.reverse(master, place);
            case HOLD -> Retiming.hold(master, place, needed(edit.at(), "at"));
            case KEY -> Retiming.key(master, place, needed(edit.at(), "at"));
            case MOVE_KEY -> Retiming.moveKey(master, place, needed(edit.at(), "at"),
                    Rational.of(needed(edit.frames(), "frames")));
            case EASE_KEY -> Retiming.easeKey(master, place, needed(edit.at(), "at"),
                    edit.easing() == null ? Easing.EASED : edit.easing());
            case REMOVE_KEY -> Retiming.removeKey(master, place, needed(edit.at(), "at"));
            default -> throw new Refused(edit.kind() + " is not done to one piece");
        };
    }

    private static Passage.Curve curve(MasterEdit edit) {
        return edit.curve() == null ? Passage.Curve.EVEN : edit.curve();
    }

    private static int laneIndex(Master master, Long laneId) {
        if (laneId == null) {
            return 0;
        }
        for (int i = 0; i < master.lanes().size(); i++) {
            if (master.lanes().get(i).id() == laneId) {
                return i;
            }
        }
        throw new Refused("That lane is not in the master any more: somebody took it away");
    }

    private static FrameRange range(MasterEdit edit) {
        long in = needed(edit.at(), "at");
        long frames = needed(edit.frames(), "frames");
        if (frames < 1) {
            throw new Refused("A range has at least one frame: set its in before its out");
        }
        return FrameRange.ofLength(in, frames);
    }

    private Master put(MasterRow row, Master master, int lane, MasterEdit edit) {
        long at = needed(edit.at(), "at");
        Section piece = newPieces.of(row, edit.piece());
        return edit.ripples() ? Arranging.insert(master, lane, at, piece)
                : Arranging.overwrite(master, lane, piece.shiftedBy(at));
    }

    private Master replaced(MasterRow row, Master master, Place place, MasterEdit edit) {
        Section piece = newPieces.of(row, edit.piece());
        return Arranging.replace(master, place, piece.content(), piece.from());
    }

    /** Pieces are named by their ids, wherever they lie; those that are gone are left out. */
    private Master paste(MasterRow row, Master master, int lane, MasterEdit edit) {
        List<Long> ids = edit.sections() == null ? List.of() : edit.sections();
        if (ids.size() > MOST_PASTED) {
            throw new Refused("At most " + MOST_PASTED + " pieces are pasted at once");
        }
        List<SectionRow> rows = store.whereIn(SectionRow.class, "id", ids);
        if (rows.isEmpty()) {
            throw new Refused("What was copied is not there any more: copy again");
        }
        MasterRow from = store.get(MasterRow.class, rows.get(0).masterId);
        ProjectRow project = store.get(ProjectRow.class, from.projectId);
        if (from.projectId != row.projectId && rows.stream().anyMatch(r -> r.shotId != null || r.nestedId != null)) {
            throw new Refused("These pieces show shots of \"" + project.name + "\": pieces are pasted within a project");
        }
        return Pasting.put(master, lane, needed(edit.at(), "at"), copied(rows),
                project.rate, edit.ripples());
    }

    private List<Section> copied(List<SectionRow> rows) {
        Set<Long> wanted = rows.stream().map(r -> r.id).collect(Collectors.toSet());
        return rows.stream().map(r -> r.masterId).distinct()
                .flatMap(id -> masters.read(store.get(MasterRow.class, id)).sections().stream())
                .filter(s -> wanted.contains(s.id())).toList();
    }

    private static Master switched(Master master, List<Place> places) {
        boolean anyOn = places.stream().anyMatch(p -> p.in(master).enabled());
        Master edited = master;
        for (Place place : places) {
            edited = Arranging.enable(edited, place, !anyOn);
        }
        return edited;
    }

    private Master cutTo(Master master, Place place, long at, long shotId) {
        ShotRow to = shots.find(shotId);
        ShotRow from = shots.find(place.in(master).shotId());
        if (to == null || from == null) {
            throw new Refused(to == null ? "That shot is not there any more: choose another"
                    : "The piece at record frame " + at + " shows no shot, so no camera of its action can be live there");
        }
        return LiveCamera.cutTo(master, place, at, MasterStore.shot(from), MasterStore.shot(to));
    }

    private static long needed(Long value, String field) {
        if (value == null) {
            throw new Refused("This edit needs \"" + field + "\"");
        }
        return value;
    }
}
