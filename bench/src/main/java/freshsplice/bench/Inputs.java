package freshsplice.bench;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;

/** Made-up cuts of any size, always the same. */
final class Inputs {
    private Inputs() {
    }

    /** One picture track. @param trimmedEvery every so many clips lose two frames at their tail; 0 for none */
    static Cut cut(int events, int trimmedEvery) {
        List<Event> track = new ArrayList<>(events);
        long at = 86_400;
        for (int i = 0; i < events; i++) {
            long length = 20 + i * 7 % 61 - (trimmedEvery > 0 && i % trimmedEvery == 0 ? 2 : 0);
            FrameRange record = FrameRange.ofLength(at, length);
            Source source = new Source("board " + i % 2000, "REEL" + i % 40, "/cut/boards/board " + i % 2000 + ".mov",
                    FrameRate.FPS_24, null, null);
            track.add(Event.clip(null, "board " + i % 2000, record, source, TimeMap.constant(record,
                    Rational.of(90_000 + i * 13L % 50_000), Rational.ONE)));
            at = record.out();
        }
        return new Cut("Bench", FrameRate.FPS_24, false, FrameRange.of(86_400, at),
                List.of(new Track(Track.Kind.PICTURE, "V1", true, track, List.of())), List.of());
    }
}
