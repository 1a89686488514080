package freshsplice.server.stores.masters;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Source;
import freshsplice.core.sound.Level;
import freshsplice.core.sound.SoundClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.SoundLaneRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.Store;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** The sound that lies under a master. */
@Component
public class LaidSound {
    private final Store store;

    LaidSound(Store store) {
        this.store = store;
    }

    /** As lanes of a cut. */
    public List<Lane> lanes(MasterRow row, FrameRate rate) {
        Map<String, List<Event>> lanes = new TreeMap<>();
        for (SoundRow sound : rows(row.id)) {
            FrameRange record = FrameRange.of(sound.recIn, sound.recOut);
            Source source = new Source(sound.name, null, null, rate, null, null);
            lanes.computeIfAbsent(sound.lane, k -> new ArrayList<>()).add(Event.clip(null, sound.name, record, source,
                    TimeMap.constant(record, sound.fromSeconds.times(rate.fps()), Rational.ONE)));
        }
        return lanes.entrySet().stream()
                .map(e -> new Lane(Lane.Kind.SOUND, e.getKey(), true, e.getValue(), List.of())).toList();
    }

    public List<SoundRow> rows(long masterId) {
        return store.where(SoundRow.class, "masterId", masterId);
    }

    public static SoundClip clip(SoundRow sound) {
        return new SoundClip(FrameRange.of(sound.recIn, sound.recOut), sound.fromSeconds, sound.fadeIn, sound.fadeOut);
    }

    /** Lays it so; its lane and level stay. */
    public static void lay(SoundRow sound, SoundClip clip) {
        sound.recIn = clip.record().in();
        sound.recOut = clip.record().out();
        sound.fromSeconds = clip.fromSeconds();
        sound.fadeIn = clip.fadeIn();
        sound.fadeOut = clip.fadeOut();
    }

    /** How each lane is heard, by its name; lanes that nobody touched are not in it. */
    public Map<String, SoundLaneRow> laneRows(long masterId) {
        Map<String, SoundLaneRow> lanes = new HashMap<>();
        store.where(SoundLaneRow.class, "masterId", masterId).forEach(l -> lanes.put(l.name, l));
        return lanes;
    }

    /** What of a piece is heard, its lane included: 1 as it was recorded, 0 silence. */
    public static double gain(SoundRow sound, Map<String, SoundLaneRow> lanes) {
        SoundLaneRow lane = lanes.get(sound.lane);
        boolean anySolo = lanes.values().stream().anyMatch(l -> l.solo);
        return Level.heard(lane != null && lane.muted, lane != null && lane.solo, anySolo,
                sound.level + (lane == null ? 0 : lane.level));
    }
}
