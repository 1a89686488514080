package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;
import java.util.List;

/**
 * How a channel goes from one key to the next. One that needs figures, such as how hard a spring is, has them as its components and
 * writes them behind its word.
 */
public sealed interface Easing {
    /** Evenly. */
    Easing STRAIGHT = new Straight();
    /** Slowly away and slowly in. */
    Easing EASED = new Eased();
    /** Holds its value and jumps at the next key. */
    Easing STEPPED = new Stepped();

    /** @param t 0 at this key, 1 at the next; @return the share of the way gone */
    double share(double t);

    /** Text that {@link #parse} reads. */
    String word();

    /** @throws Refusal if there is no such */
    static Easing parse(String word) {
        return List.of(STRAIGHT, EASED, STEPPED).stream().filter(e -> e.word().equals(word)).findFirst().orElseThrow(() ->
                new Refusal("A key goes on STRAIGHT, EASED or STEPPED, not \"" + word + "\""));
    }

    record Straight() implements Easing {
        @Override
        public double share(double t) {
            return t;
        }

        @Override
        public String word() {
            return "STRAIGHT";
        }

        @Override
        public String toString() {
            return word();
        }
    }

    /** 3t² − 2t³: no speed at both ends. */
    record Eased() implements Easing {
        @Override
        public double share(double t) {
            return t * t * (3 - 2 * t);
        }

        @Override
        public String word() {
            return "EASED";
        }

        @Override
        public String toString() {
            return word();
        }
    }

    record Stepped() implements Easing {
        @Override
        public double share(double t) {
            return t < 1 ? 0 : 1;
        }

        @Override
        public String word() {
            return "STEPPED";
        }

        @Override
        public String toString() {
            return word();
        }
    }
}
