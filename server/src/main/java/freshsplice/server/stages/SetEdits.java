package freshsplice.server.stages;

import freshsplice.core.motion.Easing;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.edit.ItemEdits;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.stages.StageStore;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;

/** Edits of sets and of the viewpoints in them, each as one step. A thing that is locked lets none through but its unlocking. */
@Service
public class SetEdits {
    private final Store store;
    private final StageStore stages;
    private final Steps steps;
    private final NewThings newThings;
    private final HangingCameras hanging;
    private final Viewpoints viewpoints;
    private final SceneCameras sceneCameras;

    SetEdits(Store store, StageStore stages, Steps steps, NewThings newThings, HangingCameras hanging, Viewpoints viewpoints,
             SceneCameras sceneCameras) {
        this.sceneCameras = sceneCameras;
        this.store = store;
        this.stages = stages;
        this.steps = steps;
        this.newThings = newThings;
        this.hanging = hanging;
        this.viewpoints = viewpoints;
    }

    /**
     * @return ids of what it made
     * @throws freshsplice.core.refusal.Refusal if it cannot be done; says which thing and why
     * @throws freshsplice.server.refusals.ToBeConfirmed if it moves a locked camera along, unless that was confirmed
     */
    public List<Long> make(long sceneId, SetEdit edit, Asker who) {
        SceneRow scene = store.get(SceneRow.class, sceneId);
        return steps.make(scene.projectId, name(edit), who, () -> {
            List<ItemRow> rows = rows(sceneId, edit.items());
            checkLocks(rows, edit);
            if (moves(edit) && !who.confirmed()) {
                hanging.askAboutLocked(rows);
            }
            return done(sceneId, rows, edit);
        });
    }

    private List<Long> done(long sceneId, List<ItemRow> rows, SetEdit edit) {
        if (edit instanceof SetEdit.Add add) {
            return List.of(newThings.add(sceneId, add));
        }
        if (edit instanceof SetEdit.Duplicate copy) {
            return newThings.copies(sceneId, rows, copy);
        }
        if (SceneCameras.isOne(edit)) {
            return sceneCameras.done(sceneId, edit);
        }
        if (edit instanceof SetEdit.KeepViewpoint || edit instanceof SetEdit.RenameViewpoint || edit instanceof SetEdit.OrderViewpoint
                || edit instanceof SetEdit.RemoveViewpoint) {
            return viewpoints.done(sceneId, edit);
        }
        if (edit instanceof SetEdit.Remove remove) {
            rows.forEach(row -> hanging.letGo(row, remove.frame()));
            store.removeAll(rows);
        } else if (edit instanceof SetEdit.Place place) {
            Easing easing = place.easing() == null ? Easing.EASED : Easing.parse(place.easing());
            Map<Long, Map<String, Double>> values = new HashMap<>();
            place.places().forEach(p -> values.put(p.id(), p.values()));
            change(rows, item -> ItemEdits.place(item, place.frame(), ItemEdits.values(values.get(item.id())), easing));
        } else if (edit instanceof SetEdit.Move move) {
            change(rows, item -> ItemEdits.move(item, move.frame(), new ItemEdits.By(move.x(), move.y(), move.z(), move.turn()),
                    move.pivot(), Easing.EASED));
            rows.forEach(row -> resize(row, move.size() == null ? 1 : move.size()));
        } else if (edit instanceof SetEdit.Key key) {
            change(rows, item -> ItemEdits.key(item, key.frame(), Easing.EASED));
        } else if (edit instanceof SetEdit.RemoveKeys keys) {
            change(rows, item -> ItemEdits.unkey(item, keys.frame()));
        } else if (edit instanceof SetEdit.MoveKeys keys) {
            change(rows, item -> ItemEdits.moveKeys(item, keys.from(), keys.to()));
        } else {
            rows.forEach(row -> look(row, edit));
        }
        return List.of();
    }

    /** Changes things by one of the core's edits, inside a step. */
    public void change(List<ItemRow> rows, UnaryOperator<Item> edit) {
        Map<Long, Item> after = new HashMap<>();
        stages.some(rows).forEach((id, item) -> after.put(id, edit.apply(item)));
        stages.write(rows, after);
    }

    private static void look(ItemRow row, SetEdit edit) {
        if (edit instanceof SetEdit.Group group) {
            row.grouped = group.name() == null || group.name().isBlank() ? null : group.name().strip();
        } else if (edit instanceof SetEdit.Hide hide) {
            row.hidden = hide.hidden();
        } else if (edit instanceof SetEdit.Lock lock) {
            row.locked = lock.locked();
        } else if (edit instanceof SetEdit.Look look) {
            row.name = look.name() == null || look.name().isBlank() ? row.name : look.name().strip();
            row.colour = look.colour() == null ? row.colour : look.colour();
            row.width = look.width() == null ? row.width : look.width();
            row.height = look.height() == null ? row.height : look.height();
            row.depth = look.depth() == null ? row.depth : look.depth();
            check(row);
        }
    }

    private static void resize(ItemRow row, double factor) {
        row.width *= factor;
        row.height *= factor;
        row.depth *= factor;
        check(row);
    }

    /** @throws freshsplice.core.refusal.Refusal if no thing can look so */
    private static void check(ItemRow row) {
        new Item(row.id, row.name, row.geometry(), row.width, row.height, row.depth, Map.of());
    }

    private List<ItemRow> rows(long sceneId, List<Long> ids) {
        List<ItemRow> rows = store.whereIn(ItemRow.class, "id", ids.stream().distinct().toList());
        if (rows.size() < ids.stream().distinct().count() || rows.stream().anyMatch(r -> r.sceneId != sceneId)) {
            throw new NotThere("One of these things is not in the set any more: it may have been taken out in another window");
        }
        return rows;
    }

    private static void checkLocks(List<ItemRow> rows, SetEdit edit) {
        if (!(edit instanceof SetEdit.Lock || edit instanceof SetEdit.Hide || edit instanceof SetEdit.Duplicate)) {
            rows.stream().filter(r -> r.locked).findFirst().ifPresent(r -> {
                throw new Refused("\"" + r.name + "\" is locked: unlock it first");
            });
        }
    }

    /** Whether what hangs on a thing moves with it. */
    private static boolean moves(SetEdit edit) {
        return edit instanceof SetEdit.Place || edit instanceof SetEdit.Move || edit instanceof SetEdit.Key || edit instanceof SetEdit.RemoveKeys
                || edit instanceof SetEdit.MoveKeys || edit instanceof SetEdit.Look look && (look.height() != null || look.width() != null || look.depth() != null);
    }

    /** What it is called in the history. */
    private String name(SetEdit edit) {
        List<ItemRow> rows = store.whereIn(ItemRow.class, "id", edit.items().stream().distinct().limit(4).toList());
        String what = edit.items().size() > 3 ? edit.items().size() + " things" : String.join(", ", rows.stream().map(r -> r.name).toList());
        if (edit instanceof SetEdit.Add add) {
            return "Put " + newThings.name(add) + " in the set";
        }
        if (edit instanceof SetEdit.Hide hide) {
            return (hide.hidden() ? "Hide " : "Show ") + what;
        }
        if (edit instanceof SetEdit.Lock lock) {
            return (lock.locked() ? "Lock " : "Unlock ") + what;
        }
        if (edit instanceof SetEdit.Remove) {
            return "Take " + what + " out of the set" + hanging.words(rows);
        }
        return VERBS.entrySet().stream().filter(v -> v.getKey().isInstance(edit)).findFirst().map(v -> v.getValue().apply(what))
                .orElseGet(() -> SceneCameras.isOne(edit) ? sceneCameras.name(edit) : viewpoints.name(edit));
    }

    private static final Map<Class<? extends SetEdit>, Function<String, String>> VERBS = Map.of(
            SetEdit.Place.class, what -> "Place " + what, SetEdit.Move.class, what -> "Move " + what, SetEdit.Key.class, what -> "Key " + what,
            SetEdit.RemoveKeys.class, what -> "Remove keys of " + what, SetEdit.MoveKeys.class, what -> "Move keys of " + what,
            SetEdit.Look.class, what -> "Change " + what, SetEdit.Group.class, what -> "Put " + what + " together",
            SetEdit.Duplicate.class, what -> "Copy " + what);
}
