package freshsplice.server.masters;

import freshsplice.core.master.Master;
import freshsplice.core.master.SamePlace;
import freshsplice.core.time.Timecode;
import freshsplice.core.time.TypedPosition;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where somebody wants to go: what was typed, or the same place in another master. */
@Service
public class Positions {
    /** @param frame a record frame; @param label its timecode */
    public record Position(long frame, String label) {
    }

    private final Store store;
    private final MasterStore masters;

    Positions(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    /**
     * A position or a way to go in the unit that the ruler shows, or the name of a shot, or the part of it that no other
     * has; an old number of it too.
     */
    @Transactional(readOnly = true)
    public Position typed(long masterId, String text, long from, TypedPosition.Unit unit) {
        MasterRow row = store.get(MasterRow.class, masterId);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        Master master = masters.read(row);
        Long shot = text.chars().anyMatch(Character::isLetter) ? shot(project.id, text.strip()) : null;
        long frame = shot == null ? new TypedPosition(project.rate, project.dropFrame, master.start(), unit).read(text, from)
                : placeOf(master, shot, text, from);
        return new Position(frame, Timecode.of(frame, project.rate, project.dropFrame).label());
    }

    private long placeOf(Master master, long shot, String text, long from) {
        OptionalLong place = SamePlace.ofShot(master, shot, from, masters.nested());
        return place.orElseThrow(() -> new Refused("\"" + master.name() + "\" does not show " + text.strip()));
    }

    private Long shot(long projectId, String name) {
        Map<String, Long> known = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        masters.aliases(projectId).forEach(known::put);
        masters.shotRows(projectId).forEach((id, shot) -> known.put(shot.code, id));
        if (known.containsKey(name)) {
            return known.get(name);
        }
        String part = name.toLowerCase(Locale.ROOT);
        Map<String, Long> like = known.entrySet().stream().filter(e -> e.getKey().toLowerCase(Locale.ROOT).contains(part))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, TreeMap::new));
        if (Set.copyOf(like.values()).size() > 1) {
            throw new Refused("\"" + name + "\" may be " + like.keySet().stream().limit(3).collect(Collectors.joining(", "))
                    + (like.size() > 3 ? " and " + (like.size() - 3) + " more" : "") + ": type more of it");
        }
        return like.values().stream().findFirst().orElse(null);
    }

    /** The record frame of a master that means what a frame of another one means. */
    @Transactional(readOnly = true)
    public long same(long masterId, long otherId, long frame) {
        return SamePlace.of(masters.read(store.get(MasterRow.class, otherId)), frame,
                masters.read(store.get(MasterRow.class, masterId)), masters.nested());
    }
}
