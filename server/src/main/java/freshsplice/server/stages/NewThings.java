package freshsplice.server.stages;

import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ItemKeyRow;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.edit.SetEdit;
import freshsplice.server.stores.stages.StageStore;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Things that come into a set. Runs inside a step. */
@Component
public class NewThings {
    private static final String PLAIN_COLOUR = "#9a8f7d";

    private final Store store;
    private final StageStore stages;

    NewThings(Store store, StageStore stages) {
        this.store = store;
        this.stages = stages;
    }

    /** What it will be called while nobody says. */
    String name(SetEdit.Add add) {
        String word = new Geometry.Figure(add.shape(), PLAIN_COLOUR).word();
        return add.name() == null || add.name().isBlank() ? word : add.name().strip();
    }

    /** It stands where it is put and is not keyed. @return its id */
    public long add(long sceneId, SetEdit.Add add) {
        double[] size = add.size() == null ? new double[] {1, 1, 1} : add.size();
        if (size.length != 3) {
            throw new Refused("A thing's size is its width, height and depth");
        }
        ItemRow row = new ItemRow();
        row.sceneId = sceneId;
        row.shape = add.shape();
        row.colour = add.colour() == null ? PLAIN_COLOUR : add.colour();
        row.width = size[0];
        row.height = size[1];
        row.depth = size[2];
        new Item(0, "", row.geometry(), row.width, row.height, row.depth, Map.of());
        List<ItemRow> there = stages.items(sceneId);
        row.place = there.size();
        row.name = free(name(add), new HashSet<>(there.stream().map(r -> r.name).toList()));
        row.x = ItemChannel.X.check(add.x());
        row.y = ItemChannel.Y.check(add.y());
        row.z = ItemChannel.Z.check(add.z());
        row.turn = ItemChannel.TURN.check(add.turn());
        row.grouped = add.group();
        return store.add(row).id;
    }

    /** Copies with all their keys, moved to the side. */
    List<Long> copies(long sceneId, List<ItemRow> rows, SetEdit.Duplicate copy) {
        Set<String> taken = new HashSet<>(stages.items(sceneId).stream().map(r -> r.name).toList());
        List<Long> made = new ArrayList<>();
        int place = taken.size();
        for (ItemRow from : rows) {
            ItemRow row = new ItemRow();
            row.sceneId = sceneId;
            row.place = place++;
            row.name = free(from.name, taken);
            taken.add(row.name);
            row.shape = from.shape;
            row.colour = from.colour;
            row.width = from.width;
            row.height = from.height;
            row.depth = from.depth;
            row.x = ItemChannel.X.check(from.x + copy.x());
            row.y = from.y;
            row.z = ItemChannel.Z.check(from.z + copy.z());
            row.turn = from.turn;
            row.lean = from.lean;
            row.grouped = from.grouped;
            made.add(store.add(row).id);
            store.where(ItemKeyRow.class, "itemId", from.id).forEach(key -> keep(key, row.id, copy));
        }
        return made;
    }

    private void keep(ItemKeyRow from, long itemId, SetEdit.Duplicate copy) {
        ItemKeyRow key = new ItemKeyRow();
        key.itemId = itemId;
        key.channel = from.channel;
        double aside = from.channel == ItemChannel.X ? copy.x() : from.channel == ItemChannel.Z ? copy.z() : 0;
        key.set(from.key().withValue(from.value + aside));
        store.add(key);
    }

    /** "pole", then "pole 2". */
    static String free(String wanted, Set<String> taken) {
        String plain = wanted.replaceFirst(" \\d+$", "");
        String name = wanted;
        for (int n = 2; taken.contains(name); n++) {
            name = plain.substring(0, Math.min(plain.length(), SetEdit.LONGEST_NAME - 8)) + " " + n;
        }
        return name;
    }
}
