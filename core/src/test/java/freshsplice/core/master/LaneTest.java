package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** A lane against plain lists of its pieces. */
class LaneTest {
    private static List<Section> pieces(Random random, int count) {
        List<Section> pieces = new ArrayList<>();
        long at = 500;
        for (int i = 0; i < count; i++) {
            at += random.nextInt(3) == 0 ? random.nextInt(12) : 0;
            long length = 1 + random.nextInt(20);
            pieces.add(Section.ofShot(i + 1L, i + 1L, FrameRange.ofLength(at, length), Rational.of(1001)));
            at += length;
        }
        return pieces;
    }

    private static Lane lane(List<Section> pieces) {
        return Lane.of("Shots", pieces);
    }

    @RepeatedTest(100)
    @DisplayName("what lies at a frame, from a frame on and within a range is what going through all pieces finds")
    void found(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Section> pieces = pieces(random, random.nextInt(15));
        Lane lane = lane(pieces);
        for (long frame = 480; frame < 900; frame++) {
            long f = frame;
            int at = -1;
            for (int i = 0; i < pieces.size(); i++) {
                at = pieces.get(i).record().contains(f) ? i : at;
            }
            assertThat(lane.indexAt(f)).isEqualTo(at);
            assertThat(lane.firstFrom(f)).isEqualTo((int) pieces.stream().filter(p -> p.record().in() < f).count());
        }
        FrameRange range = FrameRange.ofLength(480 + random.nextInt(200), 1 + random.nextInt(120));
        assertThat(lane.within(range)).isEqualTo(pieces.stream().filter(p -> p.record().overlaps(range)).toList());
    }

    @RepeatedTest(100)
    @DisplayName("pieces put in the place of others, or pushed, lie as if the lane had been made of them anew")
    void changed(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Section> pieces = pieces(random, 1 + random.nextInt(15));
        Lane lane = lane(pieces);
        int from = random.nextInt(pieces.size());
        List<Section> pushed = new ArrayList<>(pieces.subList(0, from));
        long by = random.nextInt(50);
        pieces.subList(from, pieces.size()).forEach(p -> pushed.add(p.shiftedBy(by)));
        assertThat(lane.pushed(from, by)).isEqualTo(lane(pushed));

        int to = from + random.nextInt(pieces.size() - from) + 1;
        Section wide = pieces.get(from);
        Section come = wide.over(FrameRange.of(wide.record().in(), pieces.get(to - 1).record().out())).named(99);
        List<Section> spliced = new ArrayList<>(pieces.subList(0, from));
        spliced.add(come);
        spliced.addAll(pieces.subList(to, pieces.size()));
        assertThat(lane.spliced(from, to, List.of(come))).isEqualTo(lane(spliced));
        assertThat(lane.spliced(from, to, List.of()).sections()).hasSize(pieces.size() - (to - from));
    }

    @Test
    @DisplayName("pieces in any order come to lie in order; two over each other are refused with lane and frame")
    void overlaps() {
        List<Section> pieces = pieces(new Random(1), 10);
        List<Section> mixed = new ArrayList<>(pieces);
        Collections.shuffle(mixed, new Random(2));
        assertThat(lane(mixed)).isEqualTo(lane(pieces));

        Section a = Section.ofShot(1, 1, FrameRange.of(0, 10), Rational.of(1001));
        Section b = Section.ofShot(2, 2, FrameRange.of(10, 20), Rational.of(1001));
        assertThatThrownBy(() -> lane(List.of(a, b.shiftedBy(-1)))).hasMessageContaining("lane Shots at frame 9");
        assertThatThrownBy(() -> lane(List.of(a, b)).pushed(1, -1)).hasMessageContaining("at frame 9");
        assertThatThrownBy(() -> lane(List.of(a, b)).spliced(0, 1, List.of(a.over(FrameRange.of(0, 11)))))
                .hasMessageContaining("at frame 10");
    }

    @Test
    @DisplayName("the list of its pieces cannot be changed from outside, nor by the list that it was made of")
    void immutable() {
        List<Section> pieces = pieces(new Random(3), 4);
        Lane lane = lane(pieces);
        List<Section> before = List.copyOf(lane.sections());
        pieces.clear();
        assertThat(lane.sections()).isEqualTo(before);
        assertThatThrownBy(() -> lane.sections().remove(0)).isInstanceOf(UnsupportedOperationException.class);
    }
}
