package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeyedTimeTest {
    private static TimeMap.Key key(long record, long source) {
        return new TimeMap.Key(record, Rational.of(source));
    }

    private static TimeMap keyed(boolean smooth, TimeMap.Key... keys) {
        return new TimeMap(List.of(keys), smooth);
    }

    @ParameterizedTest(name = "{0} of 16 frames is {1} of 32")
    @CsvSource({"0, 0", "4, 5", "8, 16", "12, 27", "16, 32"})
    @DisplayName("soft keys follow 3t² − 2t³ (smoothstep, OpenGL Shading Language specification, 8.3), exact")
    void smooth(long record, long share) {
        assertThat(keyed(true, key(0, 0), key(16, 32)).at(record)).isEqualTo(Rational.of(share));
    }

    @Test
    @DisplayName("outside its keys a map goes on as its last stretch does, soft or not")
    void outside() {
        assertThat(keyed(true, key(0, 0), key(16, 32)).at(-4)).isEqualTo(Rational.of(-8));
        assertThat(keyed(true, key(0, 0), key(16, 32)).at(20)).isEqualTo(Rational.of(40));
        assertThat(keyed(false, key(0, 0), key(10, 10), key(20, 40)).at(24)).isEqualTo(Rational.of(52));
        assertThat(keyed(false, key(0, 0), key(10, 10), key(20, 40)).at(-2)).isEqualTo(Rational.of(-2));
    }

    @Test
    void slopeAndHeld() {
        assertThat(keyed(false, key(0, 5), key(10, 25)).slope()).contains(Rational.of(2));
        assertThat(keyed(true, key(0, 5), key(10, 25)).slope()).isEmpty();
        assertThat(keyed(false, key(0, 0), key(10, 10), key(20, 40)).slope()).isEmpty();
        assertThat(keyed(false, key(0, 7), key(10, 7)).isHeld()).isTrue();
        assertThat(keyed(false, key(0, 7), key(10, 8)).isHeld()).isFalse();
    }

    @Test
    @DisplayName("moved along the record clock it shows the same at each moved frame")
    void shifted() {
        TimeMap map = keyed(false, key(0, 0), key(10, 10), key(20, 40));
        for (long frame = -3; frame < 24; frame++) {
            assertThat(map.shiftedBy(100).at(frame + 100)).isEqualTo(map.at(frame));
        }
        assertThat(map.shiftedBy(0)).isSameAs(map);
    }

    @Test
    @DisplayName("over another range it shows the same at each frame, with the keys inside alone")
    void over() {
        TimeMap map = keyed(false, key(0, 0), key(10, 10), key(20, 40));
        TimeMap part = map.over(FrameRange.of(5, 20));
        assertThat(part.keys()).extracting(TimeMap.Key::record).containsExactly(5L, 10L, 20L);
        for (long frame = 5; frame <= 20; frame++) {
            assertThat(part.at(frame)).isEqualTo(map.at(frame));
        }
        assertThat(map.over(FrameRange.of(10, 20)).keys()).hasSize(2);
        assertThat(keyed(false, key(0, 0), key(10, 20)).over(FrameRange.of(5, 40)).keys()).hasSize(2);
    }

    @Test
    @DisplayName("over a part of a soft stretch it shows the same at each frame; with no key outside it is told frame by frame")
    void softPart() {
        TimeMap map = keyed(true, key(0, 0), key(10, 30), key(20, 40), key(30, 90));
        for (FrameRange part : List.of(FrameRange.of(3, 18), FrameRange.of(10, 20), FrameRange.of(12, 15), FrameRange.of(-5, 36))) {
            for (long frame = part.in(); frame <= part.out(); frame++) {
                assertThat(map.over(part).at(frame)).as("frame %d over %s", frame, part).isEqualTo(map.at(frame));
                assertThat(map.within(part).at(frame)).isEqualTo(map.at(frame));
            }
        }
        assertThat(map.over(FrameRange.of(12, 15)).keys()).extracting(TimeMap.Key::record).containsExactly(10L, 20L);
        assertThat(map.within(FrameRange.of(10, 20)).smooth()).isTrue();
        assertThat(map.within(FrameRange.of(12, 15)).smooth()).isFalse();
    }

    @Test
    @DisplayName("a map that goes one way tells where each position is, one that turns or holds does not")
    void backwards() {
        TimeMap map = keyed(false, key(0, 0), key(10, 30), key(20, 40));
        assertThat(map.isOneWay()).isTrue();
        for (long third = -9; third < 75; third++) {
            Rational at = Rational.of(third, 3);
            assertThat(map.recordAt(map.at(at))).isEqualTo(at);
        }
        assertThat(keyed(false, key(0, 40), key(10, 30), key(20, 0)).recordAt(Rational.of(15))).isEqualTo(Rational.of(15));
        assertThat(keyed(false, key(0, 0), key(10, 0), key(20, 4)).isOneWay()).isFalse();
        assertThat(keyed(false, key(0, 0), key(10, 9), key(20, 4)).isOneWay()).isFalse();
        assertThat(TimeMap.parse(map.text())).isEqualTo(map);
        assertThat(TimeMap.parse(keyed(true, key(0, 1), key(3, 2)).text())).isEqualTo(keyed(true, key(0, 1), key(3, 2)));
    }

    @Test
    @DisplayName("a key on the line between its neighbours says nothing, one off it stays")
    void straight() {
        TimeMap map = keyed(false, key(0, 0), key(4, 4), key(10, 10), key(20, 40), key(22, 46));
        assertThat(map.withoutStraightKeys().keys()).extracting(TimeMap.Key::record).containsExactly(0L, 10L, 22L);
        TimeMap soft = keyed(true, key(0, 0), key(4, 4), key(10, 10));
        assertThat(soft.withoutStraightKeys()).isSameAs(soft);
    }

    @ParameterizedTest(name = "{0} within {1} is {2}")
    @CsvSource({"3.14159265358979, 0.01, 22/7", "3.14159265358979, 0.000001, 355/113", "0.333333333, 0.00001, 1/3", "-0.5, 0, -1/2",
        "41.70833333333, 0.000001, 1001/24", "7, 0, 7"})
    @DisplayName("the simplest fraction near a value is its continued fraction, cut off (22/7 and 355/113: Hardy and Wright, chapter 10)")
    void simplest(double value, double close, String fraction) {
        assertThat(Rational.simplest(value, close)).isEqualTo(Rational.parse(fraction));
    }

    @ParameterizedTest(name = "{0} means {1}")
    @CsvSource({"2997/100, 30000/1001", "23976/1000, 24000/1001", "2398/100, 24000/1001", "5994/100, 60000/1001", "25, 25", "24, 24",
        "25/2, 25/2", "24000/1001, 24000/1001", "1/2, 1/2"})
    @DisplayName("a written rate means the exact one (common practice)")
    void meant(String written, String rate) {
        assertThat(FrameRate.meant(Rational.parse(written))).isEqualTo(FrameRate.parse(rate));
    }

    @ParameterizedTest(name = "{0}-{1} and {2}-{3}: {4}")
    @CsvSource({"0, 10, 10, 20, false", "10, 20, 0, 10, false", "0, 10, 9, 20, true", "9, 20, 0, 10, true", "0, 10, 3, 4, true"})
    @DisplayName("ranges that only touch do not overlap")
    void overlaps(long aIn, long aOut, long bIn, long bOut, boolean overlap) {
        assertThat(FrameRange.of(aIn, aOut).overlaps(FrameRange.of(bIn, bOut))).isEqualTo(overlap);
    }
}
