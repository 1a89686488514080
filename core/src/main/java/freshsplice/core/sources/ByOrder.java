package freshsplice.core.sources;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Files with a numbering of their own, in the order in which they stand for what is missing: people number the pictures
 * that they cut out of an animatic as they come in it (common practice).
 */
public final class ByOrder {
    private static final Pattern DIGITS = Pattern.compile("\\d+");
    private static final Pattern RUN = Pattern.compile("\\d+|\\D+");
    /** Numbers by their value, whatever zeros stand before them; words by their letters. */
    private static final Comparator<String> NATURAL = Comparator.comparing(ByOrder::keys, ByOrder::compare);

    private ByOrder() {
    }

    /**
     * The files that belong together, in the order of their numbers: those that differ by their number alone, or those of
     * one folder, where they are as many as are missing; else the most that differ by their number alone.
     *
     * @param unused  files that nothing uses
     * @param missing how many are missing
     */
    public static List<Candidate> of(List<Candidate> unused, int missing) {
        List<List<Candidate>> series = grouped(unused, c -> folder(c) + DIGITS.matcher(FileNames.stem(c.path())).replaceAll("#"));
        List<List<Candidate>> folders = grouped(unused, ByOrder::folder);
        List<List<Candidate>> all = new ArrayList<>(series);
        all.addAll(folders);
        List<Candidate> fitting = all.stream().filter(g -> g.size() == missing).findFirst().orElse(null);
        List<List<Candidate>> rather = series.stream().anyMatch(g -> g.size() > 1) ? series : folders;
        List<Candidate> chosen = fitting != null ? fitting
                : rather.stream().max(Comparator.comparingInt(List::size)).orElse(List.of());
        return chosen.stream().sorted(Comparator.comparing(c -> FileNames.stem(c.path()), NATURAL)).toList();
    }

    private static List<List<Candidate>> grouped(List<Candidate> files, Function<Candidate, String> by) {
        Map<String, List<Candidate>> groups = new LinkedHashMap<>();
        files.forEach(f -> groups.computeIfAbsent(by.apply(f), k -> new ArrayList<>()).add(f));
        return List.copyOf(groups.values());
    }

    private static String folder(Candidate file) {
        return file.path().substring(0, file.path().length() - FileNames.base(file.path()).length());
    }

    private static List<String> keys(String name) {
        List<String> keys = new ArrayList<>();
        Matcher runs = RUN.matcher(name.toLowerCase(java.util.Locale.ROOT));
        while (runs.find()) {
            keys.add(runs.group());
        }
        return keys;
    }

    private static int compare(List<String> a, List<String> b) {
        for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
            boolean numbers = Character.isDigit(a.get(i).charAt(0)) && Character.isDigit(b.get(i).charAt(0));
            int order = numbers ? new java.math.BigInteger(a.get(i)).compareTo(new java.math.BigInteger(b.get(i)))
                    : a.get(i).compareTo(b.get(i));
            if (order != 0) {
                return order;
            }
        }
        return a.size() - b.size();
    }
}
