package freshsplice.core.changes;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.stream.LongStream;
import java.util.stream.Stream;

/** Finds what differs between two runs of clips, each in record order. Pure; near-linear for ordinary cuts. */
public final class ChangeFinder {
    /** Tells whether the sound that belongs to a pair differs. */
    @FunctionalInterface
    public interface SoundDiffers {
        boolean between(ComparedClip older, ComparedClip newer);
    }

    private final List<ComparedClip> olds;
    private final List<ComparedClip> news;
    private final int handles;
    private final SoundDiffers sound;
    private final Alignment alignment;
    private final BitSet wasSplit = new BitSet();
    private final BitSet wasJoined = new BitSet();
    private int kept;

    private ChangeFinder(List<ComparedClip> olds, List<ComparedClip> news, int handles, SoundDiffers sound) {
        this.olds = olds;
        this.news = news;
        this.handles = handles;
        this.sound = sound;
        this.alignment = Alignment.of(olds, news);
        Arrays.stream(alignment.splitFrom).filter(o -> o >= 0).forEach(wasSplit::set);
        Arrays.stream(alignment.joinedInto).filter(n -> n >= 0).forEach(wasJoined::set);
    }

    /** @param handles frames that each shot has beyond its cut range at either end */
    public static ChangeList find(List<ComparedClip> olds, List<ComparedClip> news, int handles, SoundDiffers sound) {
        return new ChangeFinder(olds, news, handles, sound).changes();
    }

    private ChangeList changes() {
        List<Change> changes = new ArrayList<>();
        int nextGone = 0;
        for (int n = 0; n < news.size(); n++) {
            int o = alignment.oldOf[n];
            if (o >= 0 && !alignment.moved[o]) {
                nextGone = addGone(nextGone, o, changes);
            }
            addNewer(n, o, changes);
        }
        addGone(nextGone, olds.size(), changes);
        return new ChangeList(new Causes(olds, news, alignment, changes).told(), kept,
                Arrays.stream(alignment.oldOf).boxed().toList());
    }

    /** Old clips without a pair, up to {@code until}. */
    private int addGone(int from, int until, List<Change> changes) {
        for (int o = from; o < until; o++) {
            if (alignment.newOf[o] < 0) {
                changes.add(gone(o));
            }
        }
        return Math.max(from, until);
    }

    private Change gone(int o) {
        ComparedClip old = olds.get(o);
        int into = alignment.joinedInto[o];
        if (into < 0) {
            return new Change(ChangeKind.OMITTED, o, -1, old.name(), old.record(), null, 0, -old.length(), 0, 0,
                    Impact.NOTHING, -1);
        }
        Figures figures = Figures.of(old, news.get(into));
        return change(ChangeKind.JOINED, o, into, figures);
    }

    private void addNewer(int n, int o, List<Change> changes) {
        ComparedClip clip = news.get(n);
        if (o >= 0) {
            addPair(o, n, changes);
        } else if (alignment.splitFrom[n] >= 0) {
            int from = alignment.splitFrom[n];
            changes.add(change(ChangeKind.SPLIT, from, n, Figures.of(olds.get(from), clip)));
        } else {
            changes.add(new Change(ChangeKind.NEW, -1, n, clip.name(), null, clip.record(), 0, clip.length(), 0, 0,
                    Impact.CAMERA, -1));
        }
    }

    private void addPair(int o, int n, List<Change> changes) {
        Figures figures = Figures.of(olds.get(o), news.get(n));
        ChangeKind kind = kind(o, n, figures);
        if (kind == null) {
            kept++;
        } else {
            changes.add(change(kind, o, n, figures));
        }
    }

    /** The strongest kind that applies, null where nothing changed. */
    private ChangeKind kind(int o, int n, Figures figures) {
        ComparedClip older = olds.get(o);
        ComparedClip newer = news.get(n);
        if (!older.key().equals(newer.key())) {
            return ChangeKind.REPLACED;
        }
        if (wasSplit.get(o)) {
            return ChangeKind.SPLIT;
        }
        if (wasJoined.get(n)) {
            return ChangeKind.JOINED;
        }
        if (alignment.moved[o]) {
            return ChangeKind.MOVED;
        }
        if (!older.still() && !newer.still() && !older.runsAs(newer)) {
            return ChangeKind.RETIMED;
        }
        if (figures.slip() != 0) {
            return ChangeKind.SLIPPED;
        }
        if (figures.head() != 0 || figures.tail() != 0) {
            return ChangeKind.TRIMMED;
        }
        if (!older.head().equals(newer.head()) || !older.tail().equals(newer.tail())) {
            return ChangeKind.TRANSITION;
        }
        if (older.edge().in() != newer.edge().in()) {
            return ChangeKind.SHIFTED;
        }
        return sound.between(older, newer) ? ChangeKind.SOUND : null;
    }

    private Change change(ChangeKind kind, int o, int n, Figures figures) {
        ComparedClip older = olds.get(o);
        ComparedClip newer = news.get(n);
        return new Change(kind, o, n, newer.name().isEmpty() ? older.name() : newer.name(), older.record(),
                newer.record(), figures.head(), figures.tail(), figures.slip(),
                newer.edge().in() - older.edge().in(), needs(kind, older, newer), -1);
    }

    private Impact needs(ChangeKind kind, ComparedClip older, ComparedClip newer) {
        Impact frames = frames(older, newer);
        return switch (kind) {
            case REPLACED, RETIMED -> frames.or(Impact.RENDER);
            default -> frames;
        };
    }

    /** How far the newer clip shows frames that the older did not: none, inside its handles, beyond them. */
    private Impact frames(ComparedClip older, ComparedClip newer) {
        Rational beyond;
        if (older.still() || newer.still() || !older.key().equals(newer.key()) || older.slope().isZero() || newer.slope().isZero()) {
            beyond = Rational.of(newer.record().length() - older.record().length());
        } else {
            Rational perFrame = older.slope().abs();
            Rational below = seenLow(older).minus(seenLow(newer)).dividedBy(perFrame);
            Rational above = seenHigh(newer).minus(seenHigh(older)).dividedBy(perFrame);
            beyond = Rational.max(below, above);
        }
        if (beyond.signum() <= 0) {
            return Impact.NOTHING;
        }
        return beyond.compareTo(Rational.of(handles)) <= 0 ? Impact.HANDLES : Impact.CAMERA;
    }

    private static Rational seenLow(ComparedClip p) {
        return seen(p).reduce(Rational::min).orElseThrow();
    }

    private static Rational seenHigh(ComparedClip p) {
        return seen(p).reduce(Rational::max).orElseThrow();
    }

    /** Positions among which are the lowest and the highest: both ends, and all between where the speed changes. */
    private static Stream<Rational> seen(ComparedClip p) {
        return (p.isKeyed() ? LongStream.rangeClosed(p.record().in(), p.record().out()) : LongStream.of(p.record().in(), p.record().out()))
                .mapToObj(p.eachFrame().at());
    }
}
