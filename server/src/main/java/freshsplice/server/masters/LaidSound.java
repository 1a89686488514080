package freshsplice.server.masters;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** The sound that lies under a master, as lanes of a cut. */
@Component
public class LaidSound {
    private final Store store;

    LaidSound(Store store) {
        this.store = store;
    }

    public List<Lane> lanes(MasterRow row, FrameRate rate) {
        Map<String, List<Event>> lanes = new TreeMap<>();
        for (SoundRow sound : store.where(SoundRow.class, "masterId", row.id)) {
            FrameRange record = FrameRange.of(sound.recIn, sound.recOut);
            Source source = new Source(sound.name, null, null, rate, null, null);
            lanes.computeIfAbsent(sound.lane, k -> new ArrayList<>()).add(Event.clip(null, sound.name, record, source,
                    TimeMap.constant(record, sound.fromSeconds.times(rate.fps()), Rational.ONE)));
        }
        return lanes.entrySet().stream()
                .map(e -> new Lane(Lane.Kind.SOUND, e.getKey(), true, e.getValue(), List.of())).toList();
    }
}
