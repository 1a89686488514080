package freshsplice.core.camera;

import java.util.Random;

/** Seeded movement that has no swing quicker or slower than it was asked for: a sum of sines at steps between both. */
final class Band {
    private static final int SINES = 12;
    /** A movement begins and ends within so many frames. */
    private static final double FADE = 12;

    private Band() {
    }

    /** @return about −2 to 2, 1 in the root of its mean square */
    static double at(double shortest, double longest, long seed, double frames) {
        // the numbers of this generator are part of Java's own specification: the same on every machine
        Random random = new Random(seed);
        double sum = 0;
        for (int i = 0; i < SINES; i++) {
            double turns = 1 / longest + (1 / shortest - 1 / longest) * (i + random.nextDouble()) / SINES;
            sum += Math.sin(2 * Math.PI * (turns * frames + random.nextDouble()));
        }
        return sum * Math.sqrt(2.0 / SINES);
    }

    /** 0 at an end, 1 away from it. @param away frames from the end */
    static double faded(double away, double length) {
        double over = Math.min(FADE, length / 4);
        if (over <= 0) {
            return 0;
        }
        double t = Math.max(0, Math.min(1, away / over));
        return t * t * (3 - 2 * t);
    }
}
