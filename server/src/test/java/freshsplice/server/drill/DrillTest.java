package freshsplice.server.drill;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.TestServer;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledIfSystemProperty;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A few short weeks of the drill; as many as fit into some minutes by {@code ./fresh-splice drill MINUTES}. */
@ExtendWith(TestServer.class)
@Isolated("the server forgets all that it keeps in memory, and what others are told would differ between two questions")
class DrillTest {
    private static final int SHORT = 12;
    private static final int LONG = 60;

    @ParameterizedTest(name = "week {0}")
    @ValueSource(longs = {1, 2})
    @DisabledIfSystemProperty(named = "drill.minutes", matches = ".*")
    void shortWeek(long seed) {
        assertThat(new Drill(TestServer.address(), false, System.out::println).week(seed, SHORT)).isEmpty();
    }

    @Test
    @DisplayName("as many weeks as fit")
    @EnabledIfSystemProperty(named = "drill.minutes", matches = "[0-9.]+")
    void manyWeeks() {
        Instant end = Instant.now().plus(Duration.ofMillis((long) (60_000 * Double.parseDouble(System.getProperty("drill.minutes")))));
        boolean renders = !Boolean.getBoolean("drill.noRenders");
        String given = System.getProperty("drill.seed", "");
        long seed = given.isEmpty() ? System.currentTimeMillis() : Long.parseLong(given);
        Drill drill = new Drill(TestServer.address(), renders, System.out::println);
        List<String> found = new ArrayList<>();
        do {
            Optional<String> script = drill.week(seed, LONG);
            script.ifPresent(text -> {
                System.out.println("Found:\n" + text);
                found.add(text.lines().findFirst().orElse(""));
            });
            seed++;
        } while (Instant.now().isBefore(end));
        System.out.println("Drill: " + drill.told() + ", " + found.size() + " findings");
        assertThat(found).isEmpty();
    }
}
