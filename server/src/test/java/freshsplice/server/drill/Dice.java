package freshsplice.server.drill;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import tools.jackson.databind.JsonNode;

/** Chance from a seed: the same throws again, whatever fails. */
final class Dice {
    private final SplittableRandom random;

    Dice(long seed) {
        random = new SplittableRandom(seed);
    }

    long seed() {
        return random.nextLong();
    }

    /** From 0 to {@code sides} less one. */
    int below(int sides) {
        return random.nextInt(sides);
    }

    /** Both ends are possible. */
    long between(long from, long to) {
        return random.nextLong(from, to + 1);
    }

    /** True once in so many throws. */
    boolean once(int in) {
        return random.nextInt(in) == 0;
    }

    double near(double value, double by) {
        return Math.round((value + (random.nextDouble() * 2 - 1) * by) * 100) / 100.0;
    }

    <T> T of(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    @SafeVarargs
    final <T> T of(T... all) {
        return all[random.nextInt(all.length)];
    }

    /** One of a list that the server gave; none of an empty one. */
    Optional<JsonNode> of(JsonNode list) {
        return list == null || list.isEmpty() ? Optional.empty() : Optional.of(list.get(random.nextInt(list.size())));
    }
}
