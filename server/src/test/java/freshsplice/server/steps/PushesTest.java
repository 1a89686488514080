package freshsplice.server.steps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class PushesTest {
    @Test
    void runs() {
        assertThat(Pushes.runs(List.of(7L, 5L, 6L, 9L))).containsExactly(new Pushes.Run(5, 7), new Pushes.Run(9, 9));
        assertThat(Pushes.runs(List.of())).isEmpty();
    }

    @RepeatedTest(50)
    @DisplayName("runs hold the given ids, no other, each once, and as few runs as that needs")
    void exact(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        TreeSet<Long> ids = new TreeSet<>(random.longs(40, 1, 90).boxed().toList());
        List<Long> mixed = new ArrayList<>(ids);
        Collections.shuffle(mixed, random);
        List<Pushes.Run> runs = Pushes.runs(mixed);
        assertThat(runs.stream().flatMap(r -> LongStream.rangeClosed(r.first(), r.last()).boxed()).toList())
                .containsExactlyElementsOf(ids);
        for (int i = 1; i < runs.size(); i++) {
            assertThat(runs.get(i).first()).as("a gap between runs").isGreaterThan(runs.get(i - 1).last() + 1);
        }
    }
}
