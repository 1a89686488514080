package freshsplice.server.drill;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Weeks one after another; one that fails is made shorter as long as it fails in the same way. */
final class Drill {
    private static final Duration SHRINKS_FOR = Duration.ofMinutes(3);

    private final String address;
    private final boolean renders;
    private final Consumer<String> says;
    private int weeks;
    private int steps;

    Drill(String address, boolean renders, Consumer<String> says) {
        this.address = address;
        this.renders = renders;
        this.says = says;
    }

    /** @return the script of the shortest week found that fails; empty where it does not */
    Optional<String> week(long seed, int length) {
        Week week = Week.of(seed, length, renders);
        Week.Outcome outcome = week.run(address);
        weeks++;
        steps += outcome.steps();
        return outcome.finding() == null ? Optional.empty() : Optional.of(script(week, outcome));
    }

    String told() {
        return weeks + " weeks, " + steps + " steps";
    }

    private String script(Week week, Week.Outcome outcome) {
        says.accept("Seed " + week.seed() + ", step " + outcome.steps() + ": " + outcome.finding().getMessage() + "\nMaking it shorter");
        Week shortest = week.with(week.plays().subList(0, Math.min(week.plays().size(), outcome.steps() + 1)));
        Week.Outcome failed = outcome;
        Instant end = Instant.now().plus(SHRINKS_FOR);
        int part = Math.max(1, shortest.plays().size() / 2);
        while (Instant.now().isBefore(end)) {
            boolean shorter = false;
            for (int at = 0; at < shortest.plays().size() && Instant.now().isBefore(end);) {
                List<Week.Play> left = new ArrayList<>(shortest.plays());
                left.subList(at, Math.min(left.size(), at + part)).clear();
                Week.Outcome tried = week.with(left).run(address);
                if (tried.finding() != null && tried.finding().what().equals(outcome.finding().what())) {
                    shortest = week.with(left);
                    failed = tried;
                    shorter = true;
                } else {
                    at += part;
                }
            }
            if (part == 1 && !shorter) {
                break;
            }
            part = Math.max(1, part / 2);
        }
        return "Seed " + week.seed() + ", " + shortest.plays().size() + " steps: " + failed.finding().getMessage() + "\n" + failed.log();
    }
}
