package freshsplice.bench;

import java.util.Arrays;
import java.util.Locale;

/** Times of one thing done many times, in ms. */
final class Times {
    private final double[] sorted;

    private Times(double[] sorted) {
        this.sorted = sorted;
    }

    /** Something that takes time and may fail. */
    interface Work {
        void run() throws Exception;
    }

    /** @param before how often it is done first without being counted */
    static Times of(int before, int times, Work work) throws Exception {
        double[] taken = new double[times];
        for (int i = -before; i < times; i++) {
            long begun = System.nanoTime();
            work.run();
            taken[Math.max(0, i)] = (System.nanoTime() - begun) / 1e6;
        }
        return of(taken);
    }

    static Times of(double[] taken) {
        double[] sorted = taken.clone();
        Arrays.sort(sorted);
        return new Times(sorted);
    }

    double middle() {
        return share(0.5);
    }

    /** @param part so many of them took less, 0 to 1 */
    double share(double part) {
        return sorted.length == 0 ? Double.NaN : sorted[(int) Math.min(sorted.length - 1, sorted.length * part)];
    }

    /** For what many wait for at once: the slowest are what counts. */
    void printTail(String what) {
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms, 19 of 20 within %.0f, 99 of 100 within %.0f%n", what, middle(), share(0.95),
                share(0.99));
    }

    void print(String what) {
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms, nine of ten within %.0f%n", what, middle(), share(0.9));
    }
}
