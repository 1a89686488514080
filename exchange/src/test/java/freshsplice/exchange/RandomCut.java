package freshsplice.exchange;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Cuts of every kind that the model can hold: tracks, transitions, speeds, nested cuts, generators, missing clips. */
public final class RandomCut {
    private static final List<FrameRate> RATES = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25,
            FrameRate.FPS_29_97, FrameRate.FPS_30, FrameRate.FPS_48, FrameRate.FPS_50, FrameRate.FPS_59_94,
            FrameRate.FPS_60);

    private final Random random;
    private int names;

    private RandomCut(Random random) {
        this.random = random;
    }

    public static Cut of(long seed) {
        RandomCut cuts = new RandomCut(new Random(seed));
        FrameRate rate = RATES.get(cuts.random.nextInt(RATES.size()));
        return cuts.cut(rate, 90_000 + cuts.random.nextInt(1000), 2);
    }

    private Cut cut(FrameRate rate, long start, int depth) {
        boolean drop = depth == 2 && rate.hasDropFrame() && random.nextBoolean();
        List<Track> tracks = new ArrayList<>();
        int pictures = 1 + random.nextInt(3);
        for (int i = 0; i < pictures; i++) {
            tracks.add(track(rate, start, depth, i));
        }
        long end = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max().orElse(start);
        if (depth == 2 && random.nextBoolean()) {
            tracks.add(new Track(Track.Kind.SOUND, "A1", true, List.of(sound(rate, FrameRange.of(start, end))), List.of()));
        }
        List<Marker> markers = depth < 2 ? List.of() : List.of(new Marker(FrameRange.ofLength(start + 3, 2), "",
                "look here", ""));
        return new Cut("Cut " + ++names, rate, drop, FrameRange.of(start, end), tracks, markers);
    }

    private Track track(FrameRate rate, long start, int depth, int order) {
        List<Event> events = new ArrayList<>();
        List<Transition> transitions = new ArrayList<>();
        long at = start + (order == 0 ? 0 : random.nextInt(60));
        for (int i = 0; i < 5; i++) {
            long length = 30 + random.nextInt(50);
            Event before = events.isEmpty() ? null : events.get(events.size() - 1);
            if (before != null && before.record().out() == at && random.nextInt(3) == 0) {
                FrameRange over = FrameRange.ofLength(at, 2 + 2 * random.nextInt(6));
                Transition centred = Transition.centred(random.nextInt(4) == 0 ? Transition.Kind.WIPE
                        : Transition.Kind.DISSOLVE, over, null);
                transitions.add(new Transition(centred.kind(), over, centred.cut(),
                        centred.kind() == Transition.Kind.WIPE ? "001" : null));
                events.set(events.size() - 1, before.over(before.record().withOut(over.out())));
            }
            events.add(event(rate, FrameRange.ofLength(at, length), depth));
            at += length + (random.nextInt(4) == 0 ? 1 + random.nextInt(20) : 0);
        }
        return new Track(Track.Kind.PICTURE, "V" + (order + 1), order == 0 || random.nextInt(5) > 0, events, transitions);
    }

    private Event event(FrameRate rate, FrameRange record, int depth) {
        boolean enabled = random.nextInt(8) > 0;
        String name = "clip " + ++names + " – é & <" + random.nextInt(9) + ">";
        int kind = random.nextInt(12);
        if (kind == 0 && depth > 0) {
            long start = 1000L * random.nextInt(3);
            Cut nested = cut(rate, start, depth - 1);
            TimeMap time = TimeMap.constant(record, Rational.of(start + random.nextInt(10)), Rational.ONE);
            return new Event(null, Event.Kind.NESTED, nested.name(), enabled, record,
                    Source.named(nested.name(), null, rate), time, nested, List.of());
        }
        if (kind == 1) {
            return new Event(null, Event.Kind.GENERATOR, "Colour " + names, enabled, record, null,
                    TimeMap.constant(record, Rational.ZERO, Rational.ONE), null, List.of());
        }
        String file = random.nextInt(3) > 0 ? "/cut/boards/" + name + ".mov" : null;
        String reel = random.nextBoolean() ? "R" + random.nextInt(4) : null;
        Source source = new Source(name, reel, file, rate, 10_000L, 5_000L);
        return new Event(null, Event.Kind.CLIP, name, enabled, record, source, time(record), null, List.of());
    }

    private TimeMap time(FrameRange record) {
        Rational from = Rational.of(11_000 + random.nextInt(2000));
        return switch (random.nextInt(11)) {
            case 0 -> TimeMap.constant(record, from, Rational.of(-1));
            case 1 -> TimeMap.constant(record, from, Rational.ZERO);
            case 2 -> TimeMap.constant(record, from, Rational.of(1, 2));
            case 3 -> TimeMap.constant(record, from, Rational.of(2));
            case 4 -> new TimeMap(List.of(new TimeMap.Key(record.in(), from),
                    new TimeMap.Key(record.in() + 10, from.plus(20)),
                    new TimeMap.Key(record.out(), from.plus(20 + record.length() - 10))), false);
            case 5 -> TimeMap.constant(record, from, Rational.of(6, 7));
            case 6 -> TimeMap.constant(record, from, Rational.of(-7, 5));
            default -> TimeMap.constant(record, from, Rational.ONE);
        };
    }

    private Event sound(FrameRate rate, FrameRange record) {
        Source source = new Source("guide.wav", null, "/cut/sound/guide.wav", rate, null, 5_000L);
        return Event.clip(null, "guide.wav", record, source, TimeMap.constant(record, Rational.of(24), Rational.ONE));
    }
}
