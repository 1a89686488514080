package freshsplice.core.cut;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class NestedTimeTest {
    private static final FrameRange RANGE = FrameRange.of(100, 220);

    private static TimeMap random(Random random, FrameRange record, long low, long high) {
        List<TimeMap.Key> keys = new ArrayList<>();
        int count = 2 + random.nextInt(3);
        for (int i = 0; i < count; i++) {
            long at = record.in() + record.length() * i / (count - 1);
            keys.add(new TimeMap.Key(at, Rational.of(low * 4 + random.nextInt((int) (high - low) * 4), 4)));
        }
        return new TimeMap(keys, random.nextInt(4) == 0);
    }

    /** Every frame says by itself whether it shows the inner range; the stretches must say the same. */
    @Test
    void stretchesAreTheFramesThatShowTheRange() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            TimeMap outer = random(random, RANGE, 0, 100);
            FrameRange inner = FrameRange.ofLength(random.nextInt(100), 1 + random.nextInt(40));
            Set<Long> expected = LongStream.range(RANGE.in(), RANGE.out()).filter(r -> inner.contains(outer.frameAt(r)))
                    .boxed().collect(Collectors.toSet());
            Set<Long> found = NestedTime.framesThatShow(outer, inner, RANGE).stream()
                    .flatMap(s -> LongStream.range(s.in(), s.out()).boxed()).collect(Collectors.toSet());
            assertThat(found).isEqualTo(expected);
        }
    }

    /** One map for both is exact where the two maps after each other are: at every whole frame. */
    @Test
    void throughTwoLevelsIsExactAtEveryFrame() {
        Random random = new Random(6);
        for (int i = 0; i < 2000; i++) {
            TimeMap outer = random(random, RANGE, 0, 100);
            TimeMap inner = random(random, FrameRange.of(0, 101), 1000, 2000);
            TimeMap both = NestedTime.through(outer, inner, RANGE);
            double furthest = 0;
            double tolerance = outer.smooth() || inner.smooth() ? 0.01 : 1e-9;
            for (long r = RANGE.in(); r < RANGE.out(); r++) {
                Rational position = outer.at(r);
                Rational a = inner.at(position.floor());
                Rational b = inner.at(position.floor() + 1);
                double part = position.toDouble() - position.floor();
                double exact = a.toDouble() + (b.toDouble() - a.toDouble()) * part;
                furthest = Math.max(furthest, Math.abs(both.at(r).toDouble() - exact) / tolerance);
            }
            assertThat(furthest).as("%s in %s", inner, outer).isLessThanOrEqualTo(1);
        }
    }

    /** Worked by hand: 20 frames of a nested cut at half speed from its frame 5, whose clip runs backwards from 90. */
    @Test
    void halfSpeedOverBackwards() {
        TimeMap outer = TimeMap.constant(FrameRange.of(0, 20), Rational.of(5), Rational.of(1, 2));
        TimeMap inner = TimeMap.constant(FrameRange.of(0, 30), Rational.of(90), Rational.of(-1));
        TimeMap both = NestedTime.through(outer, inner, FrameRange.of(0, 20));
        assertThat(both.at(0)).isEqualTo(Rational.of(85));
        assertThat(both.at(1)).isEqualTo(Rational.of(169, 2));
        assertThat(both.at(20)).isEqualTo(Rational.of(75));
        assertThat(both.slope()).contains(Rational.of(-1, 2));
    }
}
