package freshsplice.exchange.edl;

import static org.assertj.core.api.Assertions.assertThat;

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
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class EdlRoundTripTest {
    private static final List<FrameRate> RATES = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25,
            FrameRate.FPS_29_97, FrameRate.FPS_60);

    /** A random cut written and read again is the cut, where the writer had nothing to remark. */
    @Test
    void whatIsWrittenIsReadAgain() {
        for (int seed = 0; seed < 300; seed++) {
            Cut cut = random(new Random(seed));
            WrittenFile written = Formats.writer("edl").write(cut, WriteOptions.DEFAULT);
            assertThat(written.remarks()).isEmpty();
            Cut again = Formats.read(new InputFile("x.edl", written.bytes()), ReadOptions.at(cut.rate())).cuts().get(0);
            assertThat(again).as(() -> new String(written.bytes(), StandardCharsets.UTF_8)).isEqualTo(cut);
        }
    }

    private static Cut random(Random random) {
        FrameRate rate = RATES.get(random.nextInt(RATES.size()));
        boolean drop = rate.hasDropFrame() && random.nextBoolean();
        List<Event> events = new ArrayList<>();
        List<Transition> transitions = new ArrayList<>();
        long at = 100_000;
        long first = at;
        for (int i = 0; i < 8; i++) {
            long length = 30 + random.nextInt(60);
            FrameRange record = FrameRange.ofLength(at, length);
            boolean dissolve = i > 0 && random.nextInt(3) == 0 && events.get(i - 1).record().out() == at;
            if (dissolve) {
                FrameRange over = FrameRange.ofLength(at, 12);
                transitions.add(Transition.centred(random.nextBoolean() ? Transition.Kind.DISSOLVE
                        : Transition.Kind.WIPE, over, null));
                transitions.set(transitions.size() - 1, withWipe(transitions.get(transitions.size() - 1)));
                events.set(i - 1, events.get(i - 1).over(events.get(i - 1).record().withOut(over.out())));
            }
            events.add(event(random, i, record, rate));
            at += length + (random.nextInt(4) == 0 ? random.nextInt(20) : 0);
        }
        long end = events.get(7).record().out();
        List<Track> tracks = new ArrayList<>();
        tracks.add(new Track(Track.Kind.PICTURE, "V1", true, events, transitions));
        if (random.nextBoolean()) {
            tracks.add(new Track(Track.Kind.SOUND, "A1", true, List.of(event(random, 9, FrameRange.of(first, end), rate)),
                    List.of()));
        }
        return new Cut("Round trip", rate, drop, FrameRange.of(first, end), tracks,
                List.of(new Marker(FrameRange.ofLength(first + 3, 1), "look here", "", "RED")));
    }

    private static Transition withWipe(Transition t) {
        return t.kind() == Transition.Kind.WIPE ? new Transition(t.kind(), t.record(), t.cut(), "003") : t;
    }

    private static Event event(Random random, int i, FrameRange record, FrameRate rate) {
        Rational speed = switch (random.nextInt(6)) {
            case 0 -> Rational.of(-1);
            case 1 -> Rational.ZERO;
            case 2 -> Rational.of(1, 2);
            default -> Rational.ONE;
        };
        String name = "clip " + i;
        String file = random.nextBoolean() ? "/cut/boards/" + name + ".mov" : null;
        return Event.clip(String.format("%03d", i + 1), name, record,
                new Source(name, "R" + random.nextInt(4), file, rate, null, null),
                TimeMap.constant(record, Rational.of(50_000 + random.nextInt(9000)), speed));
    }

    @Test
    void shortReelsAreUniqueAndTheirMapIsPrinted() {
        EdlReels reels = new EdlReels(true);
        assertThat(List.of("causeway_wide_v2", "causeway_wide_v3", "BL", "gulls")).map(reels::written)
                .containsExactly("CAUSEWAY", "CAUSEWA2", "BL2", "GULLS");
        assertThat(reels.changed()).containsEntry("causeway_wide_v3", "CAUSEWA2");
    }

    @Test
    void tracksAboveAreFlattenedAndWhatTheyHideIsSaid() {
        Event low = event(new Random(1), 0, FrameRange.of(0, 100), FrameRate.FPS_24);
        Event high = event(new Random(2), 1, FrameRange.of(40, 60), FrameRate.FPS_24);
        Cut cut = new Cut("Two tracks", FrameRate.FPS_24, false, FrameRange.of(0, 100), List.of(
                new Track(Track.Kind.PICTURE, "V1", true, List.of(low), List.of()),
                new Track(Track.Kind.PICTURE, "V2", true, List.of(high), List.of())), List.of());
        WrittenFile written = Formats.writer("edl").write(cut, WriteOptions.DEFAULT);
        Cut again = Formats.read(new InputFile("x.edl", written.bytes()), ReadOptions.at(cut.rate())).cuts().get(0);
        assertThat(again.tracks().get(0).events()).extracting(Event::record).containsExactly(FrameRange.of(0, 40),
                FrameRange.of(40, 60), FrameRange.of(60, 100));
        assertThat(written.remarks()).anyMatch(r -> r.place().equals("track V1"));
        assertThat(Formats.writer("edl").write(cut, new WriteOptions("V2", false, 0)).bytes().length)
                .isLessThan(written.bytes().length);
    }
}
