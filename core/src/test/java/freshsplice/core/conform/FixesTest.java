package freshsplice.core.conform;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FixesTest {
    private static final Cut FLASH = Cuts.of(Cuts.track(Cuts.clip("a", 0, 50, 0), Cuts.clip("b", 50, 52, 7),
            Cuts.clip("c", 52, 100, 30)));

    @Test
    @DisplayName("a flash goes to the shot before, or to the one after, which shows its own source earlier")
    void flash() {
        assertThat(records(FLASH, Map.of())).containsExactly(FrameRange.of(0, 50), FrameRange.of(50, 52),
                FrameRange.of(52, 100));
        assertThat(records(FLASH, Map.of(50L, Fix.TO_BEFORE))).containsExactly(FrameRange.of(0, 52),
                FrameRange.of(52, 100));
        ConformPlan after = plan(FLASH, Map.of(50L, Fix.TO_AFTER));
        assertThat(after.shots()).extracting(s -> s.clip().record()).containsExactly(FrameRange.of(0, 50),
                FrameRange.of(50, 100));
        assertThat(after.shots().get(1).clip().time().frameAt(50)).isEqualTo(28);
        assertThat(after.shots().get(1).clip().time().frameAt(52)).isEqualTo(30);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    @DisplayName("a clip of up to three frames is a flash, one of four is none")
    void howShortAFlashIs(int frames) {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a", 0, 50, 0), Cuts.clip("b", 50, 50 + frames, 7), Cuts.clip("c", 50 + frames, 100, 30)));
        assertThat(plan(cut, Map.of()).pointers().stream().filter(p -> p.remark().text().contains("flash")).toList())
                .hasSize(frames <= 3 ? 1 : 0);
    }

    @Test
    @DisplayName("what was chosen is said at its place and can be taken back")
    void pointer() {
        Pointer left = plan(FLASH, Map.of()).pointers().get(0);
        assertThat(left.offers()).containsExactly(Fix.TO_BEFORE, Fix.TO_AFTER);
        assertThat(left.chosen()).isNull();
        Pointer chosen = plan(FLASH, Map.of(50L, Fix.TO_BEFORE)).pointers().get(0);
        assertThat(chosen.at()).isEqualTo(50);
        assertThat(chosen.chosen()).isEqualTo(Fix.TO_BEFORE);
        assertThat(chosen.remark().text()).isEqualTo(
                "b is a flash of 2 frames. Chosen: give its frames to the shot before");
    }

    @Test
    @DisplayName("the shot before a gap goes on over it, at the end of the cut too")
    void gaps() {
        Cut plain = Cuts.of(Cuts.track(Cuts.clip("a", 0, 10, 0), Cuts.clip("b", 20, 30, 0)));
        Cut cut = new Cut("Test", plain.rate(), false, FrameRange.of(0, 40), plain.tracks(), List.of());
        assertThat(plan(cut, Map.of()).gaps()).containsExactly(FrameRange.of(10, 20), FrameRange.of(30, 40));
        ConformPlan held = plan(cut, Map.of(10L, Fix.HOLD, 30L, Fix.HOLD));
        assertThat(held.gaps()).isEmpty();
        assertThat(held.shots()).extracting(s -> s.clip().record()).containsExactly(FrameRange.of(0, 20),
                FrameRange.of(20, 40));
    }

    @Test
    @DisplayName("of two events that overlap the later is seen, or by choice the earlier to its end")
    void overlaps() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a", 0, 15, 0), Cuts.clip("b", 10, 30, 5)));
        Pointer pointer = plan(cut, Map.of()).pointers().get(0);
        assertThat(pointer.remark().text()).isEqualTo("a lies under b for 5 frames in one track; the later one is seen");
        assertThat(records(cut, Map.of())).containsExactly(FrameRange.of(0, 10), FrameRange.of(10, 30));
        ConformPlan plan = plan(cut, Map.of(10L, Fix.EARLIER_WINS));
        assertThat(plan.shots()).extracting(s -> s.clip().record()).containsExactly(FrameRange.of(0, 15),
                FrameRange.of(15, 30));
        assertThat(plan.shots().get(1).clip().time().frameAt(15)).as("each frame shows what it showed").isEqualTo(10);
    }

    @Test
    @DisplayName("shots that name one camera share it, and the board's remark knows")
    void oneCamera() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a.png", 0, 10, 0), Cuts.clip("b.png", 10, 20, 0),
                Cuts.clip("a.png", 20, 30, 0)));
        ConformChoices choices = new ConformChoices(ShotNumbering.DEFAULT, null, null, s -> false, Map.of(),
                Map.of(0L, "wide", 20L, "wide"), Set.of());
        ConformPlan plan = Conform.plan(cut, choices);
        assertThat(plan.shots()).extracting(PlannedShot::camera).containsExactly("wide", "sh0020_cam", "wide");
        assertThat(plan.pointers()).singleElement().satisfies(p -> assertThat(p.chosen()).isEqualTo(Fix.ONE_CAMERA));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    @DisplayName("whatever is chosen, no frame has two shots, and none loses the one it had")
    void neverTwo(long seed) {
        Random random = new Random(seed);
        List<Event> events = new ArrayList<>();
        Map<Long, Fix> fixes = new HashMap<>();
        long at = 0;
        for (int i = 0; i < 60; i++) {
            long length = random.nextInt(3) == 0 ? 1 + random.nextInt(3) : 4 + random.nextInt(30);
            events.add(Cuts.clip("c" + i, at, at + length, random.nextInt(100)));
            at += length + random.nextInt(3) * (random.nextInt(8) - 3);
            at = Math.max(at, events.get(i).record().in() + 1);
        }
        Cut cut = Cuts.of(Cuts.track(events.toArray(Event[]::new)));
        for (long frame = cut.record().in(); frame < cut.record().out(); frame++) {
            if (random.nextInt(3) == 0) {
                fixes.put(frame, Fix.values()[random.nextInt(4)]);
            }
        }
        List<FrameRange> before = records(cut, Map.of());
        List<FrameRange> after = records(cut, fixes);
        for (long frame = cut.record().in(); frame < cut.record().out(); frame++) {
            long now = count(after, frame);
            assertThat(now).as("shots at " + frame).isLessThanOrEqualTo(1).isGreaterThanOrEqualTo(count(before, frame));
        }
    }

    private static long count(List<FrameRange> ranges, long frame) {
        return ranges.stream().filter(r -> r.contains(frame)).count();
    }

    private static List<FrameRange> records(Cut cut, Map<Long, Fix> fixes) {
        return plan(cut, fixes).shots().stream().map(s -> s.clip().record()).toList();
    }

    private static ConformPlan plan(Cut cut, Map<Long, Fix> fixes) {
        return Conform.plan(cut, new ConformChoices(ShotNumbering.DEFAULT, null, null, s -> false, fixes, Map.of(), Set.of()));
    }
}
