package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The lenses, or the stops, that a production has chosen to work with. Another one can be set all the same, and is marked.
 *
 * @param values rising, each once
 */
public record Kit(List<Double> values) {
    private static final int MOST = 40;

    /** Lenses in millimetres of one often chosen set (common practice). */
    public static final Kit LENSES = new Kit(List.of(18.0, 21.0, 25.0, 28.0, 35.0, 50.0, 75.0, 85.0, 100.0));
    /** Full T-stops, each with half the light of the one before (common practice). */
    public static final Kit STOPS = new Kit(List.of(1.4, 2.0, 2.8, 4.0, 5.6, 8.0, 11.0, 16.0, 22.0));

    public Kit {
        values = values.stream().sorted().distinct().toList();
        if (values.size() > MOST || values.stream().anyMatch(v -> !(v > 0 && v <= 2000))) {
            throw new Refusal("A kit has up to " + MOST + " numbers above 0 and up to 2000, parted by blanks: 25 35 50");
        }
    }

    /** @param text numbers parted by blanks or commas, {@code 25 35 50}; none for anything goes */
    public static Kit parse(String text) {
        try {
            return new Kit(Arrays.stream(text.strip().split("[\\s,;]+")).filter(s -> !s.isEmpty()).map(Double::valueOf).toList());
        } catch (NumberFormatException e) {
            throw new Refusal("A kit is numbers parted by blanks, such as 25 35 50, not \"" + text + "\"");
        }
    }

    /** Whether a value is one of it; all are of a kit that names none. */
    public boolean has(double value) {
        return values.isEmpty() || values.stream().anyMatch(v -> Math.abs(v - value) < 1e-6);
    }

    /** Text that {@link #parse} reads. */
    public String text() {
        return values.stream().map(v -> v == Math.rint(v) ? String.valueOf(v.longValue()) : v.toString()).collect(Collectors.joining(" "));
    }
}
