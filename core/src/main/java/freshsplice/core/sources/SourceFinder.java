package freshsplice.core.sources;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * Finds the file that a clip means. Each {@link Fit} is tried over all files before the next; of several that fit
 * equally the one whose folders agree furthest with the clip's path wins, then the highest version, then the newest.
 */
public final class SourceFinder {
    /**
     * What was found.
     *
     * @param file   the file
     * @param fit    how
     * @param others files with other contents that fit as well
     */
    public record Match(Candidate file, Fit fit, int others) {
        public boolean isDoubtful() {
            return fit.isDoubtful() || others > 0;
        }

        /** How it was found, in words. */
        public String words() {
            return others == 0 ? fit.words() : fit.words() + "; " + others + (others == 1 ? " other fits" : " others fit")
                    + " as well";
        }
    }

    /** A reel as short as this may stand at the front of longer names by chance. */
    private static final int LONG_REEL = 8;

    private static final Map<Fit, Function<String, String>> BY_NAME = new EnumMap<>(Map.of(
            Fit.NAME, FileNames::base,
            Fit.CASE, path -> FileNames.base(path).toLowerCase(Locale.ROOT),
            Fit.SPELLING, path -> FileNames.plain(FileNames.base(path)),
            Fit.ENDING, path -> FileNames.plain(FileNames.stem(path)),
            Fit.NUMBERING, path -> FileNames.withoutPadding(FileNames.stem(path)),
            Fit.VERSION, path -> FileNames.withoutVersion(FileNames.stem(path))));

    private final Map<Long, Candidate> byId = new HashMap<>();
    private final List<Candidate> candidates;
    private final List<SourceNeed> wanted;
    /** Made when a fit is first tried: most clips are found by the first. */
    private final Map<Fit, Map<String, List<Candidate>>> byName = new EnumMap<>(Fit.class);
    private final Map<String, List<Candidate>> byPath = new HashMap<>();
    private Map<String, List<Candidate>> byOrder;
    private final Map<String, List<Candidate>> byListed = new HashMap<>();
    private final Map<String, List<Candidate>> byReel = new HashMap<>();
    private NavigableMap<String, List<Candidate>> byStem;
    private Map<String, Set<String>> wantedByOrder;
    private final Map<String, Long> chosen;
    private final Map<SourceNeed, Optional<Match>> known = new HashMap<>();

    /**
     * @param candidates the files, the newest last
     * @param wanted     all that is to be found: a number is only left aside where no two names become one by it
     * @param chosen     file by {@link freshsplice.core.cut.Source#identity}, chosen by hand; null says that none of
     *                   the files is it
     */
    public SourceFinder(List<Candidate> candidates, List<SourceNeed> wanted, Map<String, Long> chosen) {
        this.candidates = List.copyOf(candidates);
        this.wanted = List.copyOf(wanted);
        this.chosen = new HashMap<>(chosen);
        for (Candidate file : candidates) {
            byId.put(file.id(), file);
            put(byPath, path(file.path()), file);
            if (file.reel() != null) {
                put(byReel, FileNames.plain(file.reel()), file);
            }
            file.listed().forEach(name -> put(byListed, FileNames.base(name).toLowerCase(Locale.ROOT), file));
        }
    }

    private Map<String, List<Candidate>> byName(Fit fit) {
        return byName.computeIfAbsent(fit, f -> {
            Map<String, List<Candidate>> map = new HashMap<>();
            candidates.forEach(file -> put(map, BY_NAME.get(f).apply(file.path()), file));
            return map;
        });
    }

    private NavigableMap<String, List<Candidate>> byStem() {
        if (byStem == null) {
            byStem = new TreeMap<>();
            candidates.forEach(file -> put(byStem, FileNames.plain(FileNames.stem(file.path())), file));
        }
        return byStem;
    }

    private void prepareOrder() {
        if (byOrder == null) {
            byOrder = new HashMap<>();
            wantedByOrder = new HashMap<>();
            candidates.forEach(file -> put(byOrder, FileNames.withoutOrder(FileNames.stem(file.path())), file));
            wanted.forEach(one -> one.names().forEach(name -> wantedByOrder.computeIfAbsent(
                    FileNames.withoutOrder(FileNames.stem(name)), k -> new HashSet<>())
                    .add(FileNames.plain(FileNames.stem(name)))));
        }
    }

    private static void put(Map<String, List<Candidate>> map, String key, Candidate file) {
        if (!key.isEmpty()) {
            map.computeIfAbsent(key, k -> new ArrayList<>(1)).add(file);
        }
    }

    private static String path(String path) {
        return String.join("/", FileNames.parts(path));
    }

    /** The file for a clip; empty where none fits. */
    public Optional<Match> find(SourceNeed wanted) {
        if (wanted == null || wanted.source() == null) {
            return Optional.empty();
        }
        return known.computeIfAbsent(wanted, this::look);
    }

    /** Whether somebody chose the file for a clip, or that none is it. */
    public boolean isChosen(SourceNeed wanted) {
        return chosen.containsKey(wanted.source().identity());
    }

    private Optional<Match> look(SourceNeed wanted) {
        String key = wanted.source().identity();
        if (chosen.containsKey(key)) {
            Candidate file = chosen.get(key) == null ? null : byId.get(chosen.get(key));
            return Optional.ofNullable(file).map(f -> new Match(f, Fit.CHOSEN, 0));
        }
        for (Fit fit : Fit.values()) {
            List<Candidate> fitting = fitting(wanted, fit);
            if (!fitting.isEmpty()) {
                return Optional.of(best(wanted, fit, fitting));
            }
        }
        return Optional.empty();
    }

    private List<Candidate> fitting(SourceNeed wanted, Fit fit) {
        return switch (fit) {
            case CHOSEN -> List.of();
            case PATH -> wanted.source().file() == null || FileNames.parts(wanted.source().file()).size() < 2
                    ? List.of() : byPath.getOrDefault(path(wanted.source().file()), List.of());
            case NUMBERING -> {
                List<Candidate> padded = named(wanted, fit);
                yield padded.isEmpty() ? withoutOrder(wanted) : padded;
            }
            case NAME, CASE, SPELLING, ENDING, VERSION -> named(wanted, fit);
            case REEL_AND_TIME -> ofReel(wanted).stream().filter(c -> covers(wanted, c)).toList();
            case CHECKSUM -> wanted.names().map(n -> byListed.getOrDefault(
                    FileNames.base(n).toLowerCase(Locale.ROOT), List.of())).filter(l -> !l.isEmpty())
                    .findFirst().orElse(List.of());
            case REEL -> ofReel(wanted);
        };
    }

    private List<Candidate> named(SourceNeed wanted, Fit fit) {
        Map<String, List<Candidate>> map = byName(fit);
        return wanted.names().map(name -> map.getOrDefault(BY_NAME.get(fit).apply(name), List.<Candidate>of()))
                .filter(l -> !l.isEmpty()).findFirst().orElse(List.of());
    }

    /** Files that differ by the number at an end only, where it cannot be another clip's. */
    private List<Candidate> withoutOrder(SourceNeed wanted) {
        prepareOrder();
        for (String name : wanted.names().toList()) {
            String key = FileNames.withoutOrder(FileNames.stem(name));
            List<Candidate> files = byOrder.getOrDefault(key, List.of());
            boolean oneName = wantedByOrder.getOrDefault(key, Set.of()).size() <= 1;
            if (oneName && files.stream().map(Candidate::contents).distinct().count() == 1) {
                return files;
            }
        }
        return List.of();
    }

    /** Files whose own reel is the clip's, or whose name is it or begins with it. */
    private List<Candidate> ofReel(SourceNeed wanted) {
        String reel = wanted.hasReel() ? FileNames.plain(FileNames.stem(wanted.source().reel())) : "";
        if (reel.isEmpty()) {
            return List.of();
        }
        List<Candidate> files = new ArrayList<>(byReel.getOrDefault(reel, List.of()));
        if (reel.length() >= LONG_REEL) {
            byStem().subMap(reel, reel + Character.MAX_VALUE).values().forEach(files::addAll);
        } else {
            files.addAll(byStem().getOrDefault(reel, List.of()));
        }
        return files;
    }

    /** Whether a file's timecode holds all that is used. */
    private static boolean covers(SourceNeed wanted, Candidate file) {
        if (file.start() == null || file.rate() == null || wanted.from() == null || wanted.rate() == null) {
            return false;
        }
        Rational perFrame = file.rate().fps().dividedBy(wanted.rate().fps());
        Rational from = wanted.from().times(perFrame);
        Rational to = wanted.to().times(perFrame);
        return from.compareTo(Rational.of(file.start())) >= 0
                && to.compareTo(Rational.of(file.start() + file.frames())) <= 0;
    }

    private static Match best(SourceNeed wanted, Fit fit, List<Candidate> fitting) {
        List<String> path = wanted.source().file() == null ? List.of() : FileNames.parts(wanted.source().file());
        Comparator<Candidate> order = Comparator
                .comparingInt((Candidate c) -> FileNames.sharedEnd(path, FileNames.parts(c.path())))
                .thenComparingLong(c -> fit == Fit.VERSION ? FileNames.version(c.path()) : 0);
        Candidate best = fitting.stream().max(order.thenComparingLong(Candidate::id)).orElseThrow();
        long others = fitting.stream().filter(c -> order.compare(c, best) == 0).map(Candidate::contents).distinct()
                .count() - 1;
        return new Match(best, fit, (int) others);
    }
}
