package freshsplice.server.http.changes;

import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;

/**
 * How a list of records came out of an older one: stretches that are taken over in order, each with whole numbers that all of
 * its records have more of (an edit near the head pushes thousands by the same frames), stretches that are left out, and
 * records that are new. Ten thousand clips of which one changed are three stretches.
 *
 * @param stretches in order
 */
public record ListChange(List<Stretch> stretches) {
    /**
     * One of: taken over ({@code keep} with {@code by}), left out ({@code skip}), new ({@code put}).
     *
     * @param keep how many of the older list are taken over; 0 for none
     * @param skip how many of it are left out; 0 for none
     * @param by   what is added to fields of each record that is taken over, by their names
     * @param put  records that are new
     */
    public record Stretch(int keep, int skip, Map<String, Long> by, @ArraySchema(schema = @Schema(type = "object")) List<?> put) {
        static Stretch kept(int count, Map<String, Long> by) {
            return new Stretch(count, 0, by, List.of());
        }

        static Stretch skipped(int count) {
            return new Stretch(0, count, Map.of(), List.of());
        }

        static Stretch put(List<?> records) {
            return new Stretch(0, 0, Map.of(), List.copyOf(records));
        }
    }

    /** How far is looked for where the lists go on alike after records that came or went. */
    private static final int AHEAD = 64;

    /** @param <R> a record type; its components of whole numbers may be moved, all others are taken over or not */
    public static <R extends Record> ListChange between(List<R> older, List<R> newer) {
        if (older == newer && !newer.isEmpty()) {
            return new ListChange(List.of(Stretch.kept(newer.size(), Map.of())));
        }
        return newer.isEmpty() ? new ListChange(List.of()) : new Finder<>(older, newer).find();
    }

    /**
     * A newer list with the older one's own records where they are equal at the same place, counted from the first or from the last:
     * many views of the same take the room of one, and are compared in no time. The older list itself where all are equal.
     */
    public static <R extends Record> List<R> sharing(List<R> older, List<R> newer) {
        int longer = newer.size() - older.size();
        List<R> shared = new ArrayList<>(newer.size());
        boolean same = longer == 0;
        for (int i = 0; i < newer.size(); i++) {
            R record = newer.get(i);
            R known = i < older.size() && older.get(i).equals(record) ? older.get(i)
                    : i >= longer && older.get(i - longer).equals(record) ? older.get(i - longer) : null;
            same &= known != null;
            shared.add(known == null ? record : known);
        }
        return same ? older : Collections.unmodifiableList(shared);
    }

    private static final class Finder<R extends Record> {
        private final List<R> older;
        private final List<R> newer;
        private final MovedFields<R> fields;
        private final List<Stretch> stretches = new ArrayList<>();
        private final List<R> fresh = new ArrayList<>();
        private Map<String, Long> by = Map.of();
        private int kept;
        private int at;
        private int misses;

        Finder(List<R> older, List<R> newer) {
            this.older = older;
            this.newer = newer;
            this.fields = MovedFields.of(newer.get(0));
        }

        ListChange find() {
            int i = 0;
            while (i < newer.size()) {
                Map<String, Long> moved = at < older.size() ? fields.between(older.get(at), newer.get(i)) : null;
                if (moved != null) {
                    keep(moved);
                    i++;
                } else {
                    int[] step = ahead(i);
                    endKept();
                    fresh.addAll(newer.subList(i, i + step[1]));
                    skip(step[0]);
                    i += step[1];
                }
            }
            endKept();
            endFresh();
            return new ListChange(List.copyOf(stretches));
        }

        private void keep(Map<String, Long> moved) {
            misses = 0;
            endFresh();
            if (kept > 0 && !moved.equals(by)) {
                endKept();
            }
            by = moved;
            kept++;
            at++;
        }

        private void endKept() {
            if (kept > 0) {
                stretches.add(Stretch.kept(kept, by));
                kept = 0;
            }
        }

        private void endFresh() {
            if (!fresh.isEmpty()) {
                stretches.add(Stretch.put(fresh));
                fresh.clear();
            }
        }

        /** New records stand where the first of those that they replace stood, so leaving out may come before them. */
        private void skip(int count) {
            if (count > 0) {
                stretches.add(Stretch.skipped(count));
                at += count;
            }
        }

        /** How many records to leave out of the older list and to take of the newer, until both go on alike. */
        private int[] ahead(int from) {
            // where nothing goes on alike, nothing is gained by looking far each time
            int far = Math.max(1, AHEAD >> Math.min(misses++, 6));
            for (int sum = 1; sum <= far; sum++) {
                for (int gone = 0; gone <= sum; gone++) {
                    int o = at + gone;
                    int n = from + sum - gone;
                    if (o < older.size() && n < newer.size() && fields.between(older.get(o), newer.get(n)) != null) {
                        return new int[] {gone, sum - gone};
                    }
                }
            }
            return new int[] {Math.min(1, older.size() - at), 1};
        }
    }
}
