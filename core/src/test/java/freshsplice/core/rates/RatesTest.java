package freshsplice.core.rates;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Expected frames are worked out by hand beside each check, from one rule: a second is a second. */
class RatesTest {
    @Test
    @DisplayName("a 25 frames/s clip in a cut at 24: 24 record frames are 25 source frames by real time, 24 frame for frame")
    void clips() {
        Cut byTime = cutWith(Rational.of(25, 24));
        Cut byFrame = cutWith(Rational.ONE);
        assertThat(ClipRates.count(byTime)).containsOnlyKeys(FrameRate.FPS_25)
                .containsValue(new ClipRates.Count(1, 0));
        assertThat(ClipRates.count(byFrame)).containsValue(new ClipRates.Count(0, 1));
        assertThat(first(ClipRates.shown(byTime, RateWay.FRAME_FOR_FRAME))).isEqualTo(first(byFrame));
        assertThat(first(ClipRates.shown(byFrame, RateWay.REAL_TIME))).isEqualTo(first(byTime));
        assertThat(first(ClipRates.shown(byTime, RateWay.REAL_TIME))).isEqualTo(first(byTime));
        assertThat(first(byTime).to()).isEqualTo(Rational.of(35));
        assertThat(first(byFrame).to()).isEqualTo(Rational.of(34));
    }

    @Test
    @DisplayName("stills, clips of the cut's rate and sound stay as they are")
    void others() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("still.png", 0, 10, 5), Cuts.clip("wave.mov", 10, 20, 5)));
        assertThat(ClipRates.count(cut)).isEmpty();
        assertThat(ClipRates.shown(cut, RateWay.FRAME_FOR_FRAME)).isEqualTo(cut);
    }

    @Test
    @DisplayName("nested cuts are gone through, once each")
    void nested() {
        Cut inner = cutWith(Rational.ONE);
        FrameRange record = FrameRange.ofLength(0, 24);
        Event opened = new Event(null, Event.Kind.NESTED, "inner", true, record, null,
                TimeMap.constant(record, Rational.ZERO, Rational.ONE), inner, List.of());
        Cut outer = Cuts.of(Cuts.track(opened, opened.shiftedBy(24)));
        assertThat(ClipRates.count(outer)).containsValue(new ClipRates.Count(0, 1));
        Cut shown = ClipRates.shown(outer, RateWay.REAL_TIME);
        List<Event> events = shown.tracks().get(0).events();
        assertThat(first(events.get(0).nested()).to()).isEqualTo(Rational.of(35));
        assertThat(events.get(1).nested()).isSameAs(events.get(0).nested());
    }

    @Test
    @DisplayName("a cut at 25 on a clock at 24: an hour stays an hour, 25 frames become 24, and each shows its exact time")
    void cutByRealTime() {
        long hour = 25 * 3600;
        Cut cut = at(FrameRate.FPS_25, Cuts.clip("wave.mov", hour, hour + 50, 100));
        CutRate.RateChange changed = CutRate.of(cut, FrameRate.FPS_24, false, RateWay.REAL_TIME);
        assertThat(changed.cut().record()).isEqualTo(FrameRange.ofLength(86400, 48));
        assertThat(changed.cut().timecodeAt(86400).label()).isEqualTo("01:00:00:00");
        Event event = first(changed.cut());
        // frame 12 is half a second in: source frame 100 + 12.5
        assertThat(event.time().at(86412)).isEqualTo(Rational.of(225, 2));
        assertThat(changed.remarks()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"24000/1001,25,86400,01:00:00:00", "24000/1001,24,86400,01:00:00:00", "25,24000/1001,90012,01:00:00:12",
        "30000/1001,24,108000,01:00:00:00", "24,60,86412,01:00:00:30"})
    @DisplayName("the label at which it begins is kept, at any two rates")
    void label(String from, String to, long start, String label) {
        Cut cut = at(FrameRate.parse(from), Cuts.clip("wave.mov", start, start + 240, 100));
        Cut changed = CutRate.of(cut, FrameRate.parse(to), false, RateWay.REAL_TIME).cut();
        assertThat(changed.timecodeAt(changed.record().in()).label()).isEqualTo(label);
        assertThat(first(changed).from()).as("what is seen first").isEqualTo(Rational.of(100));
    }

    @Test
    @DisplayName("frame for frame the numbers stay and only the clock goes at another speed")
    void cutFrameForFrame() {
        Cut cut = at(FrameRate.FPS_25, Cuts.clip("wave.mov", 90000, 90050, 100));
        Cut changed = CutRate.of(cut, FrameRate.FPS_24, false, RateWay.FRAME_FOR_FRAME).cut();
        assertThat(first(changed)).isEqualTo(first(cut));
        assertThat(changed.rate()).isEqualTo(FrameRate.FPS_24);
    }

    @Test
    @DisplayName("an event shorter than half a frame of the new clock is named, not lost in silence")
    void tooShort() {
        Cut cut = at(FrameRate.FPS_60, Cuts.clip("a.mov", 0, 59, 0), Cuts.clip("flash.mov", 59, 60, 0),
                Cuts.clip("b.mov", 60, 120, 0));
        CutRate.RateChange changed = CutRate.of(cut, FrameRate.FPS_24, false, RateWay.REAL_TIME);
        assertThat(changed.cut().tracks().get(0).events()).hasSize(2);
        assertThat(changed.remarks()).singleElement().satisfies(r -> assertThat(r.text()).contains("flash.mov"));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    @DisplayName("whatever meets still meets, at any two rates, and no edge is off by more than half a frame")
    void neighbours(long seed) {
        Random random = new Random(seed);
        List<FrameRate> rates = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25, FrameRate.FPS_29_97,
                FrameRate.FPS_50, FrameRate.FPS_60);
        FrameRate from = rates.get(random.nextInt(rates.size()));
        FrameRate to = rates.get(random.nextInt(rates.size()));
        List<Event> events = new ArrayList<>();
        long at = random.nextInt(100_000);
        for (int i = 0; i < 100; i++) {
            long length = 3 + random.nextInt(80);
            events.add(Cuts.clip("c" + i + ".mov", at, at + length, random.nextInt(1000)));
            at += length;
        }
        Cut cut = at(from, events.toArray(Event[]::new));
        List<Event> changed = CutRate.of(cut, to, false, RateWay.REAL_TIME).cut().tracks().get(0).events();
        for (int i = 0; i < 100; i++) {
            // counted from the cut's first frame, which keeps its label
            Rational exact = to.fps().times(from.seconds(events.get(i).record().in() - events.get(0).record().in()));
            assertThat(Rational.of(changed.get(i).record().in() - changed.get(0).record().in()).minus(exact).abs()).isLessThanOrEqualTo(Rational.of(1, 2));
            if (i > 0) {
                assertThat(changed.get(i).record().in()).isEqualTo(changed.get(i - 1).record().out());
            }
        }
    }

    private static Cut cutWith(Rational slope) {
        FrameRange record = FrameRange.ofLength(0, 24);
        Source source = Source.named("wave.mov", "R1", FrameRate.FPS_25);
        return Cuts.of(Cuts.track(Event.clip(null, "wave.mov", record, source,
                TimeMap.constant(record, Rational.of(10), slope))));
    }

    private static Cut at(FrameRate rate, Event... events) {
        Cut plain = Cuts.of(Cuts.track(events));
        return new Cut(plain.name(), rate, false, plain.record(), plain.tracks(), List.of());
    }

    private static Event first(Cut cut) {
        return cut.tracks().get(0).events().get(0);
    }
}
