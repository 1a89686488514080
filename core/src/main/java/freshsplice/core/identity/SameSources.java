package freshsplice.core.identity;

import freshsplice.core.cut.Source;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Which sources of a newer cut are sources of an older one under other names. Sources with equal identities are the same;
 * of the rest, pairs whose names agree and do not contradict each other are taken, those that agree most first, with
 * neighbours that are the same already telling apart what names leave open. A tape that one side knows as one reel may be
 * several files of the other: they follow where the frames shown are the same.
 */
public final class SameSources {
    /** How sure it is that two sources are one. */
    public enum Sureness {
        /** Somebody said so. */
        DECIDED,
        /** Several names agree, or the file's, or one and the neighbours on both sides. */
        SURE,
        /** One name agrees and nothing contradicts. */
        LIKELY
    }

    /**
     * A source that has other names in the older cut.
     *
     * @param older   its identity there
     * @param newer   its identity in the newer cut
     * @param because what agrees, in words
     * @param scale   position in the older = scale · position in the newer + offset
     */
    public record Link(String older, String newer, Sureness sureness, List<String> because, Rational scale,
                       Rational offset) {
        /** A position of the newer cut as the older one counts. */
        public Rational position(Rational newerPosition) {
            return newerPosition.times(scale).plus(offset);
        }
    }

    /** What somebody said of two sources by their identities; null where nobody did. */
    @FunctionalInterface
    public interface Decisions {
        Boolean areSame(String older, String newer);
    }

    /** One name and both neighbours are enough, or two names, or the file's. */
    private static final double SURE_FROM = 3.3;
    private static final double NEIGHBOUR = 0.4;
    private static final double SHARED_FRAMES = 1;
    /** A name that more sources than this have, such as a tape of a whole reel, tells little by itself. */
    private static final int CROWD = 64;

    private record Candidate(SourceUse older, SourceUse newer, Resemblance names, SourceClock clock, double score) {
        List<String> because(String otherReel) {
            return otherReel == null ? names.because() : Stream.concat(names.because().stream(), Stream.of("though " + otherReel + " shortens to the same")).toList();
        }
    }

    private final Map<String, SourceUse> olds = new LinkedHashMap<>();
    private final Map<String, SourceUse> news = new LinkedHashMap<>();
    private final Decisions decisions;
    private final Map<String, Link> links = new LinkedHashMap<>();
    /** Identities of the older cut that are one source with another one of it. */
    private final Map<String, String> oldKeys = new HashMap<>();
    private final Set<String> takenOlds = new HashSet<>();
    private final Map<Integer, String> oldOrder = new HashMap<>();
    private final Map<Integer, String> newOrder = new HashMap<>();
    /** Reels of the older cut by what old lists shorten them to. */
    private final Map<String, Set<String>> oldReels = new HashMap<>();

    private SameSources(List<SourceUse> olds, List<SourceUse> news, Decisions decisions) {
        olds.forEach(u -> this.olds.put(u.key(), u));
        news.forEach(u -> this.news.put(u.key(), u));
        this.decisions = decisions;
        olds.forEach(u -> u.shown().forEach(s -> oldOrder.put(s.order(), u.key())));
        news.forEach(u -> u.shown().forEach(s -> newOrder.put(s.order(), u.key())));
        this.olds.values().stream().map(SourceUse::source).filter(s -> s != null && s.reel() != null).map(Source::reel)
                .forEach(r -> oldReels.computeIfAbsent(SourceNames.shortened(r), k -> new LinkedHashSet<>()).add(r));
    }

    /** @param decisions what people said before: it stands above everything found here */
    public static SameSources of(List<SourceUse> olds, List<SourceUse> news, Decisions decisions) {
        SameSources same = new SameSources(olds, news, decisions);
        same.find();
        return same;
    }

    /** The identity under which an older source is compared. */
    public String older(String key) {
        return oldKeys.getOrDefault(key, key);
    }

    /** What a source of the newer cut is in the older; null where it has the same identity there, or is a new one. */
    public Link newer(String key) {
        return links.get(key);
    }

    /** All links, in the order in which the newer cut uses them. */
    public List<Link> links() {
        return news.keySet().stream().map(links::get).filter(l -> l != null).toList();
    }

    /** Whether a source is a still on the side that knows it: the other may not tell. */
    public boolean isStill(String newerKey) {
        Link link = links.get(newerKey);
        SourceUse older = link == null ? olds.get(newerKey) : olds.get(link.older());
        SourceUse newer = news.get(newerKey);
        return older != null && older.still() || newer != null && newer.still();
    }

    /** The same question asked from the older side. */
    public boolean isStillOlder(String olderKey) {
        if (olds.containsKey(olderKey) && olds.get(olderKey).still()) {
            return true;
        }
        return links.values().stream().anyMatch(l -> l.older().equals(older(olderKey)) && news.get(l.newer()).still());
    }

    private void find() {
        List<SourceUse> left = new ArrayList<>();
        for (SourceUse use : news.values()) {
            boolean apart = Boolean.FALSE.equals(decisions.areSame(use.key(), use.key()));
            if (olds.containsKey(use.key()) && !apart) {
                takenOlds.add(use.key());
            } else if (!use.key().isEmpty()) {
                left.add(use);
            }
        }
        left.removeIf(this::takeDecided);
        List<Candidate> candidates = candidates(left);
        takeBest(candidates);
        takeParts(candidates);
        candidates.forEach(this::tellSureness);
    }

    /** Known last, when all neighbours are. */
    private void tellSureness(Candidate c) {
        Link link = links.get(c.newer.key());
        if (link != null && otherReelOf(c) == null && link.sureness() == Sureness.LIKELY && link.older().equals(older(c.older.key()))
                && c.score + neighbours(c) >= SURE_FROM) {
            links.put(c.newer.key(), new Link(link.older(), link.newer(), Sureness.SURE, link.because(), link.scale(),
                    link.offset()));
        }
    }

    /** Another reel of ours that shortens to the one by which alone a source was known; null where none does. */
    private String otherReelOf(Candidate c) {
        if (!c.names.byShortReel()) {
            return null;
        }
        String own = c.older.source().reel();
        return oldReels.get(SourceNames.shortened(own)).stream().filter(r -> !r.equals(own)).findFirst().orElse(null);
    }

    private boolean takeDecided(SourceUse newer) {
        for (SourceUse older : olds.values()) {
            if (Boolean.TRUE.equals(decisions.areSame(older.key(), newer.key()))) {
                link(older, newer, SourceClock.between(older, newer), Sureness.DECIDED, List.of("somebody said so"));
                return true;
            }
        }
        return false;
    }

    private void link(SourceUse older, SourceUse newer, SourceClock clock, Sureness sureness, List<String> because) {
        takenOlds.add(older.key());
        links.put(newer.key(), new Link(older(older.key()), newer.key(), sureness, because, clock.scale(), clock.offset()));
    }

    private List<Candidate> candidates(List<SourceUse> left) {
        Map<String, List<SourceUse>> byToken = new HashMap<>();
        olds.values().stream().filter(u -> u.source() != null && !u.key().isEmpty())
                .forEach(u -> SourceNames.of(u.source()).tokens()
                        .forEach(t -> byToken.computeIfAbsent(t, k -> new ArrayList<>()).add(u)));
        boolean foldersMoved = foldersMoved();
        List<Candidate> candidates = new ArrayList<>();
        for (SourceUse newer : left) {
            for (SourceUse older : near(newer, byToken)) {
                Resemblance names = Resemblance.of(older.source(), newer.source(), foldersMoved);
                boolean forbidden = Boolean.FALSE.equals(decisions.areSame(older.key(), newer.key()));
                if (!forbidden && !names.contradicts() && names.agreement() >= Resemblance.LEAST) {
                    SourceClock clock = SourceClock.between(older, newer);
                    double score = names.agreement() + (clock.shared() > 0 ? SHARED_FRAMES : 0);
                    candidates.add(new Candidate(older, newer, names, clock, score));
                }
            }
        }
        return candidates;
    }

    /** Older sources that share a name; of a name that very many have, those in the same part of the cut. */
    private static Set<SourceUse> near(SourceUse newer, Map<String, List<SourceUse>> byToken) {
        Set<SourceUse> near = new LinkedHashSet<>();
        List<List<SourceUse>> crowds = new ArrayList<>();
        for (String token : SourceNames.of(newer.source()).tokens()) {
            List<SourceUse> named = byToken.getOrDefault(token, List.of());
            if (named.size() <= CROWD) {
                near.addAll(named);
            } else {
                crowds.add(named);
            }
        }
        if (near.isEmpty()) {
            for (List<SourceUse> crowd : crowds) {
                // sources come in the order of the cut
                int at = 0;
                while (at < crowd.size() - 1 && firstOf(crowd.get(at)) < firstOf(newer)) {
                    at++;
                }
                near.addAll(crowd.subList(Math.max(0, at - CROWD / 2), Math.min(crowd.size(), at + CROWD / 2)));
            }
        }
        return near;
    }

    /** Files that are all found in other folders have moved; one that is, while others stay, is another file. */
    private boolean foldersMoved() {
        long files = news.keySet().stream().filter(k -> k.startsWith("file:")).count();
        long there = news.keySet().stream().filter(k -> k.startsWith("file:") && olds.containsKey(k)).count();
        return there * 2 <= files;
    }

    /** Each source once, what agrees most first; every pair taken may tell its neighbours apart. */
    private void takeBest(List<Candidate> candidates) {
        List<Candidate> open = new ArrayList<>(candidates);
        while (!open.isEmpty()) {
            open.removeIf(c -> links.containsKey(c.newer.key()) || takenOlds.contains(c.older.key()));
            Candidate best = open.stream().max(Comparator.comparingDouble((Candidate c) -> c.score + neighbours(c))
                    .thenComparing(c -> -Math.abs(firstOf(c.older) - firstOf(c.newer)))).orElse(null);
            if (best == null) {
                return;
            }
            // everything as good and without a rival needs no further look
            for (Candidate c : uncontested(open, best)) {
                if (!links.containsKey(c.newer.key()) && !takenOlds.contains(c.older.key())) {
                    link(c.older, c.newer, c.clock, Sureness.LIKELY, c.because(otherReelOf(c)));
                }
            }
        }
    }

    private static List<Candidate> uncontested(List<Candidate> open, Candidate best) {
        Map<String, Integer> ofOlder = new HashMap<>();
        Map<String, Integer> ofNewer = new HashMap<>();
        open.forEach(c -> ofOlder.merge(c.older.key(), 1, Integer::sum));
        open.forEach(c -> ofNewer.merge(c.newer.key(), 1, Integer::sum));
        List<Candidate> alone = new ArrayList<>(open.stream()
                .filter(c -> ofOlder.get(c.older.key()) == 1 && ofNewer.get(c.newer.key()) == 1).toList());
        if (alone.isEmpty()) {
            alone.add(best);
        }
        return alone;
    }

    private static int firstOf(SourceUse use) {
        return use.shown().isEmpty() ? 0 : use.shown().get(0).order();
    }

    /** How many of the clips before and after are the same source on both sides already. */
    private double neighbours(Candidate c) {
        int o = firstOf(c.older);
        int n = firstOf(c.newer);
        return (areOne(oldOrder.get(o - 1), newOrder.get(n - 1)) ? NEIGHBOUR : 0)
                + (areOne(oldOrder.get(o + 1), newOrder.get(n + 1)) ? NEIGHBOUR : 0);
    }

    private boolean areOne(String older, String newer) {
        if (older == null || newer == null) {
            return older == newer;
        }
        Link link = links.get(newer);
        return older(older).equals(link == null ? newer : link.older());
    }

    /** One reel of one side that is several files of the other, and the other way round: where the same frames are shown. */
    private void takeParts(List<Candidate> candidates) {
        for (Candidate c : candidates) {
            boolean together = c.names.byFile() || c.clock.shared() > 0;
            if (together && !links.containsKey(c.newer.key())) {
                link(c.older, c.newer, c.clock, Sureness.LIKELY, c.because(otherReelOf(c)));
            } else if (together && !takenOlds.contains(c.older.key()) && links.containsKey(c.newer.key())) {
                takenOlds.add(c.older.key());
                oldKeys.put(c.older.key(), links.get(c.newer.key()).older());
            }
        }
    }
}
