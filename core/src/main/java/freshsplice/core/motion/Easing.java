package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;
import java.util.Arrays;
import java.util.List;

/**
 * How a channel goes at one side of a key: away from it, or towards it. One that needs figures, such as how hard a spring is, has
 * them as its components and writes them behind its word. What a way from key to key looks like is {@link Segment}'s.
 */
public sealed interface Easing {
    /** At the speed of an even way to the other key. */
    Easing STRAIGHT = new Straight();
    /** With no speed at the key: slowly away, slowly in. */
    Easing EASED = new Eased();
    /** Holds its value and jumps at the next key. */
    Easing STEPPED = new Stepped();
    /** Past the key without a halt and without overshoot. */
    Easing THROUGH = new Through();

    /** Text that {@link #parse} reads. */
    String word();

    /** Whether a key can only be left so: what begins at one key and needs the whole way to the next. */
    default boolean onlyLeaves() {
        return false;
    }

    /** @throws Refusal if there is no such, or its figures cannot be */
    static Easing parse(String text) {
        String[] words = text == null ? new String[] {""} : text.strip().split("\\s+");
        for (Easing plain : List.of(STRAIGHT, EASED, STEPPED, THROUGH)) {
            if (plain.word().equals(words[0]) && words.length == 1) {
                return plain;
            }
        }
        double[] figures = figures(words, text);
        if (words[0].equals("HAND") && figures.length == 2) {
            return new Hand(figures[0], figures[1]);
        }
        if (words[0].equals("SPRING") && figures.length == 2) {
            return new Spring(figures[0], figures[1]);
        }
        throw unknown(text);
    }

    private static double[] figures(String[] words, String text) {
        try {
            return Arrays.stream(words).skip(1).mapToDouble(Double::parseDouble).toArray();
        } catch (NumberFormatException e) {
            throw unknown(text);
        }
    }

    private static Refusal unknown(String text) {
        return new Refusal("A key goes on STRAIGHT, EASED, STEPPED, THROUGH, HAND along by or SPRING period damping, not \"" + text
                + "\"");
    }

    record Straight() implements Easing {
        @Override
        public String word() {
            return "STRAIGHT";
        }
    }

    record Eased() implements Easing {
        @Override
        public String word() {
            return "EASED";
        }
    }

    record Stepped() implements Easing {
        @Override
        public String word() {
            return "STEPPED";
        }

        @Override
        public boolean onlyLeaves() {
            return true;
        }
    }

    record Through() implements Easing {
        @Override
        public String word() {
            return "THROUGH";
        }
    }

    /**
     * A handle set by hand.
     *
     * @param along how far the handle reaches towards the other key, as a share of the frames between, 0 to 1: so time never
     *              runs backwards
     * @param by    how far above the key's value it lies, in the channel's unit
     */
    record Hand(double along, double by) implements Easing {
        /** @throws Refusal if the handle reaches behind its key or past the other one */
        public Hand {
            if (!(along >= 0 && along <= 1) || !Double.isFinite(by)) {
                throw new Refusal("A handle reaches from 0 to 1 of the way to the next key: " + along + ", " + by);
            }
        }

        @Override
        public String word() {
            return "HAND " + along + " " + by;
        }
    }

    /**
     * Lets go towards the next key's value as a spring does, and comes to rest there.
     *
     * @param period  frames of one swing without damping
     * @param damping damping ratio: 0 swings for ever, 1 comes in without overshoot
     */
    record Spring(double period, double damping) implements Easing {
        /** @throws Refusal if it could not swing */
        public Spring {
            if (!(period >= 1 && period <= 100_000) || !(damping >= 0 && damping <= 100)) {
                throw new Refusal("A spring swings in 1 to 100000 frames with a damping of 0 to 100: " + period + ", " + damping);
            }
        }

        @Override
        public String word() {
            return "SPRING " + period + " " + damping;
        }

        @Override
        public boolean onlyLeaves() {
            return true;
        }

        /**
         * How far it still is from rest, 1 at once: the exact motion of a damped oscillator let go at rest (textbooks of
         * mechanics): e^(−ζωt)·(cos ω′t + ζω/ω′ sin ω′t) with ω′ = ω√(1 − ζ²), and its forms for ζ = 1 and above.
         *
         * @param frames since it was let go, 0 or more
         */
        double left(double frames) {
            double turning = 2 * Math.PI / period;
            double t = turning * frames;
            double root = Math.sqrt(Math.abs(1 - damping * damping));
            if (root < 1e-9) {
                return Math.exp(-t) * (1 + t);
            }
            if (damping < 1) {
                return Math.exp(-damping * t) * (Math.cos(root * t) + damping / root * Math.sin(root * t));
            }
            // written with falling powers alone, so that nothing runs over
            double slow = damping - root;
            double fast = damping + root;
            return (fast * Math.exp(-slow * t) - slow * Math.exp(-fast * t)) / (fast - slow);
        }
    }
}
