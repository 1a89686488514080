package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ByOrderTest {
    private static List<String> order(int missing, String... paths) {
        List<Candidate> files = new ArrayList<>();
        for (String path : paths) {
            files.add(Candidate.named(files.size() + 1L, path));
        }
        return ByOrder.of(files, missing).stream().map(Candidate::path).toList();
    }

    @Test
    @DisplayName("numbers are in order by their value, not by their letters")
    void byValue() {
        assertThat(order(3, "10.png", "9.png", "1.png")).containsExactly("1.png", "9.png", "10.png");
        assertThat(order(2, "p_010.png", "p_9.png")).containsExactly("p_9.png", "p_010.png");
        assertThat(order(2, "99999999999999999999999.png", "2.png")).startsWith("2.png");
    }

    @Test
    @DisplayName("the files that are as many as are missing are meant, whether they share a word or a folder")
    void asMany() {
        assertThat(order(2, "map.png", "3.png", "1.png")).containsExactly("1.png", "3.png");
        assertThat(order(3, "b/02 pan.png", "b/01 quay.png", "b/03 bell.png", "a/1.png", "a/2.png"))
                .containsExactly("b/01 quay.png", "b/02 pan.png", "b/03 bell.png");
    }

    @Test
    @DisplayName("where no group is as many, the largest that is numbered; without numbers all of a folder")
    void otherCounts() {
        assertThat(order(5, "x.png", "2.png", "1.png", "3.png")).containsExactly("1.png", "2.png", "3.png");
        assertThat(order(5, "quay.png", "bell.png")).containsExactly("bell.png", "quay.png");
        assertThat(order(5)).isEmpty();
    }
}
