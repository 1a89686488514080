package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Masters of several tracks against what flatten_stack and track_trimmed_to_range of OpenTimelineIO 0.18.1 make of them:
 * flattened.txt, made by scripts/cross-check/make_flattened.py.
 */
class FlattenedTest {
    record Case(String name, long from, long to, List<List<Clip>> tracks, List<String> seen) {
        @Override
        public String toString() {
            return "case " + name;
        }

        Master master() {
            List<Track> all = new ArrayList<>();
            tracks.forEach(clips -> all.add(Track.of("Track " + all.size(), clips)));
            return new Master(1, name, FrameRate.FPS_24, false, 0, all);
        }
    }

    static List<Case> cases() throws IOException {
        List<Case> cases = new ArrayList<>();
        try (InputStream in = FlattenedTest.class.getResourceAsStream("/flattened.txt")) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList()) {
                String[] words = line.split(" ");
                Case last = cases.isEmpty() ? null : cases.get(cases.size() - 1);
                switch (words[0]) {
                    case "case" -> cases.add(new Case(words[1], Long.parseLong(words[2]), Long.parseLong(words[3]),
                            new ArrayList<>(), new ArrayList<>()));
                    case "track" -> last.tracks().add(Stream.of(words).skip(1).map(FlattenedTest::clip).toList());
                    case "seen" -> Stream.of(words).skip(1).forEach(last.seen()::add);
                    default -> { }
                }
            }
        }
        return cases;
    }

    private static Clip clip(String clip) {
        String[] p = clip.split(":");
        return Clip.ofShot(0, Long.parseLong(p[0]), FrameRange.of(Long.parseLong(p[1]), Long.parseLong(p[2])),
                Rational.of(Long.parseLong(p[3])));
    }

    private static List<String> seen(Master master, long from, long to) {
        List<String> seen = new ArrayList<>();
        for (long frame = from; frame < to; frame++) {
            List<FrameChain.Layer> layers = FrameChain.flat().at(master, frame);
            seen.add(layers.isEmpty() ? "-" : layers.get(0).shotId() + ":" + layers.get(0).frame());
        }
        return seen;
    }

    @ParameterizedTest
    @MethodSource("cases")
    @DisplayName("the topmost clip is live at every frame")
    void flattened(Case one) {
        assertThat(one.seen()).hasSize((int) (one.to() - one.from()));
        assertThat(seen(one.master(), one.from(), one.to())).isEqualTo(one.seen());
    }

    @ParameterizedTest
    @MethodSource("cases")
    @DisplayName("clips trimmed to a range show what the range showed, and nothing outside it")
    void trimmed(Case one) {
        Master master = one.master();
        for (int track = 0; track < master.tracks().size(); track++) {
            for (int i = master.tracks().get(track).clips().size() - 1; i >= 0; i--) {
                FrameRange record = master.tracks().get(track).clips().get(i).record();
                boolean outside = record.out() <= one.from() || record.in() >= one.to();
                Place place = new Place(track, i);
                if (outside) {
                    master = Arranging.lift(master, List.of(place));
                } else {
                    master = Trims.tail(master, place, Math.min(0, one.to() - record.out()), Following.STAYS);
                    master = Trims.head(master, place, Math.max(0, one.from() - record.in()), Following.STAYS);
                }
            }
        }
        assertThat(seen(master, one.from(), one.to())).isEqualTo(one.seen());
        assertThat(seen(master, -10, one.from())).containsOnly("-");
        assertThat(seen(master, one.to(), one.to() + 60)).containsOnly("-");
    }
}
