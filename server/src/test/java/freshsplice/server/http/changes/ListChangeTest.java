package freshsplice.server.http.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class ListChangeTest {
    record Clip(long id, String name, long in, Long cut, List<Long> frames) {
        Clip pushed(long by) {
            return new Clip(id, name, in + by, cut, frames);
        }
    }

    private static Clip clip(long id, long in) {
        return new Clip(id, "sh" + id, in, in, List.of());
    }

    private static List<Clip> clips(int count) {
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            clips.add(clip(i + 1, i * 40L));
        }
        return clips;
    }

    /** As the window does it. */
    private static List<Clip> applied(List<Clip> older, ListChange change) {
        List<Clip> made = new ArrayList<>();
        int at = 0;
        for (ListChange.Stretch stretch : change.stretches()) {
            for (int i = 0; i < stretch.keep(); i++) {
                Clip p = older.get(at++);
                Map<String, Long> by = stretch.by();
                assertThat(by).as("ids are never moved").doesNotContainKey("id");
                made.add(new Clip(p.id(), p.name(), p.in() + by.getOrDefault("in", 0L),
                        by.containsKey("cut") ? (Long) (p.cut() + by.get("cut")) : p.cut(), p.frames()));
            }
            at += stretch.skip();
            stretch.put().forEach(p -> made.add((Clip) p));
        }
        return made;
    }

    @Test
    @DisplayName("a push near the head of thousands of clips is three stretches")
    void pushed() {
        List<Clip> older = clips(2000);
        List<Clip> newer = new ArrayList<>(older.subList(0, 10));
        newer.add(new Clip(11, "another", 400, null, List.of()));
        older.subList(11, 2000).forEach(p -> newer.add(p.pushed(7)));
        ListChange change = ListChange.between(older, newer);
        assertThat(change.stretches()).hasSize(4);
        assertThat(change.stretches().get(3)).isEqualTo(new ListChange.Stretch(1989, 0, Map.of("in", 7L), List.of()));
        assertThat(applied(older, change)).isEqualTo(newer);
    }

    @Test
    void theSameIsOneStretch() {
        List<Clip> same = clips(50);
        assertThat(ListChange.between(same, clips(50)).stretches())
                .containsExactly(new ListChange.Stretch(50, 0, Map.of(), List.of()));
        assertThat(ListChange.between(same, List.of()).stretches()).isEmpty();
        assertThat(applied(List.of(), ListChange.between(List.of(), same))).isEqualTo(same);
    }

    @RepeatedTest(200)
    @DisplayName("whatever was put in, taken out, pushed, swapped and changed, the window ends with the newer list")
    void any(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Clip> older = clips(random.nextInt(120));
        List<Clip> newer = new ArrayList<>(older);
        for (int i = random.nextInt(8); i >= 0; i--) {
            int at = newer.isEmpty() ? 0 : random.nextInt(newer.size());
            switch (random.nextInt(5)) {
                case 0 -> newer.add(at, clip(1000 + i, random.nextInt(5000)));
                case 1 -> newer.subList(at, Math.min(newer.size(), at + random.nextInt(90))).clear();
                case 2 -> newer.replaceAll(p -> p.in() > 900 ? p.pushed(3) : p);
                case 3 -> newer.replaceAll(p -> p.id() % 7 == 0 ? new Clip(p.id(), p.name() + "x", p.in(), null, List.of(1L)) : p);
                default -> java.util.Collections.swap(newer.isEmpty() ? new ArrayList<>(List.of(1, 2)) : newer, 0, at);
            }
        }
        assertThat(applied(older, ListChange.between(older, newer))).isEqualTo(newer);
    }
}
