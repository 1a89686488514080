package freshsplice.server.drill;

import java.util.HashSet;
import java.util.Set;

/**
 * What an operation may have changed.
 *
 * @param sound whether laid sound
 * @param shots ids of the shots whose pictures; null for all
 */
record Touched(boolean sound, Set<Long> shots) {
    static final Touched NOTHING = new Touched(false, Set.of());
    static final Touched SOUND = new Touched(true, Set.of());
    static final Touched ALL_PICTURES = new Touched(false, null);
    static final Touched ALL = new Touched(true, null);

    static Touched shots(Set<Long> shots) {
        return new Touched(false, Set.copyOf(shots));
    }

    Touched and(Touched other) {
        if (shots == null || other.shots == null) {
            return new Touched(sound || other.sound, null);
        }
        Set<Long> both = new HashSet<>(shots);
        both.addAll(other.shots);
        return new Touched(sound || other.sound, both);
    }

    boolean touches(long shot) {
        return shots == null || shots.contains(shot);
    }
}
