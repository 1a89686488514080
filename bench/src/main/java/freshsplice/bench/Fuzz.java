package freshsplice.bench;

import freshsplice.exchange.Fuzzing;
import java.util.List;
import java.util.Map;

/** Reads many damaged files of each format. Ends with 1 where one was neither read nor refused in a sentence. */
public final class Fuzz {
    private static final int TIMES = 20_000;

    private Fuzz() {
    }

    public static void main(String[] args) {
        int times = args.length > 0 ? Integer.parseInt(args[0]) : TIMES;
        long first = args.length > 1 ? Long.parseLong(args[1]) : 1;
        boolean faulty = false;
        System.out.printf("%-7s %9s %9s %9s %7s %9s%n", "format", "damaged", "read", "refused", "faults", "seconds");
        for (Map.Entry<String, List<byte[]>> format : Fuzzing.goodFiles().entrySet()) {
            long start = System.nanoTime();
            Fuzzing.Outcome outcome = Fuzzing.run(format.getKey(), format.getValue(), times, first);
            System.out.printf("%-7s %9d %9d %9d %7d %9.1f%n", format.getKey(), times, outcome.readings(),
                    outcome.errors(), outcome.faults().size(), (System.nanoTime() - start) / 1e9);
            outcome.faults().stream().limit(20).forEach(f -> System.out.println("  " + f));
            faulty |= !outcome.faults().isEmpty();
        }
        System.exit(faulty ? 1 : 0);
    }
}
