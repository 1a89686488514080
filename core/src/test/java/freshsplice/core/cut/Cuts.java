package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;

/** Cuts for tests, said in few words. */
public final class Cuts {
    private Cuts() {
    }

    public static Event clip(String name, long in, long out, long from) {
        return clip(name, in, out, from, Rational.ONE);
    }

    public static Event clip(String name, long in, long out, long from, Rational speed) {
        FrameRange record = FrameRange.of(in, out);
        return Event.clip(null, name, record, Source.named(name, "R1", FrameRate.FPS_24),
                TimeMap.constant(record, Rational.of(from), speed));
    }

    public static Track track(Event... events) {
        return new Track(Track.Kind.PICTURE, "V1", true, List.of(events), List.of());
    }

    public static Cut of(Track... tracks) {
        List<Event> all = new ArrayList<>();
        List.of(tracks).forEach(l -> all.addAll(l.events()));
        long in = all.stream().mapToLong(e -> e.record().in()).min().orElse(0);
        long out = all.stream().mapToLong(e -> e.record().out()).max().orElse(0);
        return new Cut("Test", FrameRate.FPS_24, false, FrameRange.of(in, out), List.of(tracks), List.of());
    }
}
