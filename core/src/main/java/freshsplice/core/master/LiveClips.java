package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongFunction;

/**
 * A master as one track: its live clips in record order, nested masters opened and upper tracks cut in. What
 * {@link FrameChain} answers frame by frame, said in ranges; a test holds the two together. A transition is kept where all
 * of it is seen at its own speed; elsewhere the chain alone knows its shares.
 */
public final class LiveClips {
    /**
     * A live clip.
     *
     * @param clip what is seen, on the outer master's clock; its id is that of the innermost clip
     * @param outer   the clip of the outer master that it comes from: the same one where nothing is nested
     * @param track    index of the outer master's track
     */
    public record Live(Clip clip, Clip outer, int track) {
        /** Whether it lies in a nested master. */
        public boolean isNested() {
            return outer.content() instanceof Clip.Content.OfMaster;
        }
    }

    private static final int DEEPEST = 32;

    private final LongFunction<Master> masters;

    /** @param masters finds nested masters by id */
    public LiveClips(LongFunction<Master> masters) {
        this.masters = masters;
    }

    /** What is live, over all tracks that are switched on. */
    public List<Live> of(Master master) {
        return of(master, 0);
    }

    /** One track by itself with its nested masters opened; what is switched off too. */
    public List<Live> ofTrack(Master master, int track) {
        List<Live> live = new ArrayList<>();
        for (Clip clip : master.tracks().get(track).clips()) {
            live.addAll(opened(clip, track, clip.record(), 0));
        }
        return live;
    }

    private List<Live> of(Master master, int depth) {
        if (depth > DEEPEST) {
            throw new IllegalStateException("Master " + master.name() + " is nested in itself");
        }
        List<Live> above = List.of();
        for (int i = master.tracks().size() - 1; i >= 0; i--) {
            if (master.tracks().get(i).enabled()) {
                above = under(above, master.tracks().get(i), i, depth);
            }
        }
        return above;
    }

    /** What is seen of a track between what is live above it, together with that. */
    private List<Live> under(List<Live> above, Track track, int index, int depth) {
        List<Live> all = new ArrayList<>();
        int a = 0;
        for (Clip clip : track.clips()) {
            if (!clip.enabled()) {
                continue;
            }
            FrameRange seen = clip.record();
            long from = seen.in();
            while (a < above.size() && above.get(a).clip().record().in() < seen.out()) {
                FrameRange covered = above.get(a).clip().record();
                if (covered.in() > from) {
                    all.addAll(opened(clip, index, FrameRange.of(from, covered.in()), depth));
                }
                from = Math.max(from, covered.out());
                if (covered.out() > seen.out()) {
                    break;
                }
                all.add(above.get(a++));
            }
            if (from < seen.out()) {
                all.addAll(opened(clip, index, FrameRange.of(from, seen.out()), depth));
            }
        }
        while (a < above.size()) {
            all.add(above.get(a++));
        }
        return all;
    }

    /** A part of a clip; where it nests a master, the live clips of that. */
    private List<Live> opened(Clip clip, int track, FrameRange part, int depth) {
        if (!(clip.content() instanceof Clip.Content.OfMaster nested)) {
            return List.of(new Live(cut(clip, part), clip, track));
        }
        Master within = masters.apply(nested.masterId());
        List<Live> inner = of(within, depth + 1);
        boolean even = clip.isEven() && inner.stream().allMatch(l -> l.clip().isEven());
        List<Clip> seen = even ? evenly(clip, part, inner) : frameByFrame(clip, within, part);
        return seen.stream().map(s -> new Live(s.switched(clip.enabled() && s.enabled()), clip, track)).toList();
    }

    /** A part of a clip with the transitions that lie in it whole. */
    private static Clip cut(Clip clip, FrameRange part) {
        if (part.equals(clip.record())) {
            return clip;
        }
        Transition head = part.in() == clip.record().in() ? clip.head() : null;
        Transition tail = part.out() == clip.record().out() ? clip.tail() : null;
        boolean headFits = head != null && head.after() <= part.length();
        boolean tailFits = tail != null && tail.before() <= part.length();
        return clip.over(part).withTransitions(headFits ? head : null, tailFits ? tail : null);
    }

    private static List<Clip> evenly(Clip outer, FrameRange part, List<Live> inner) {
        List<Clip> seen = new ArrayList<>();
        boolean plain = outer.speed().equals(Rational.ONE) && outer.from().isWhole();
        for (Live live : inner) {
            Clip clip = live.clip();
            FrameRange range = framesThatShow(outer, clip.record());
            FrameRange shown = range == null ? FrameRange.of(0, 0) : range.sharedWith(part);
            if (shown.isEmpty()) {
                continue;
            }
            Clip laid = clip.timed(shown, clip.at(outer.at(shown.in())), clip.speed().times(outer.speed()));
            boolean whole = shown.length() == clip.record().length();
            seen.add(plain && whole ? laid : laid.withTransitions(null, null));
        }
        seen.sort(Comparator.comparingLong(s -> s.record().in()));
        return seen;
    }

    /** The record frames at which a nest shows a frame of a range of what it nests; null for none. */
    private static FrameRange framesThatShow(Clip nest, FrameRange inner) {
        Rational from = nest.from();
        Rational speed = nest.speed();
        if (speed.isZero()) {
            return inner.contains(from.floor()) ? nest.record() : null;
        }
        Rational first = Rational.of(inner.in()).minus(from).dividedBy(speed);
        Rational last = Rational.of(inner.out()).minus(from).dividedBy(speed);
        // forwards a frame is inside from its first position on; backwards up to and with it
        long in = speed.signum() > 0 ? ceiling(first) : last.floor() + 1;
        long out = speed.signum() > 0 ? ceiling(last) : first.floor() + 1;
        return in < out ? FrameRange.of(in + nest.record().in(), out + nest.record().in()) : null;
    }

    private static long ceiling(Rational value) {
        return -value.negate().floor();
    }

    /** An exact position in the content of an innermost clip. */
    private record Spot(Clip clip, Rational position) {
    }

    /** Where speeds change on the way, the position at every frame is a key: what the chain says, frame by frame. */
    private List<Clip> frameByFrame(Clip outer, Master nested, FrameRange part) {
        List<Clip> seen = new ArrayList<>();
        List<Spot> run = new ArrayList<>();
        for (long f = part.in(); f <= part.out(); f++) {
            Spot spot = f < part.out() ? spot(nested, outer.at(f), 0) : null;
            if (!run.isEmpty() && (spot == null || spot.clip() != run.get(0).clip())) {
                seen.add(byFrames(run, FrameRange.of(f - run.size(), f)));
                run.clear();
            }
            if (spot != null) {
                run.add(spot);
            }
        }
        return seen;
    }

    /** What is live at an exact position, transitions left aside; null for black. */
    private Spot spot(Master master, Rational position, int depth) {
        if (depth > DEEPEST) {
            throw new IllegalStateException("Master " + master.name() + " is nested in itself");
        }
        for (int i = master.tracks().size() - 1; i >= 0; i--) {
            Track track = master.tracks().get(i);
            int index = track.enabled() ? track.indexAt(position.floor()) : -1;
            Clip clip = index < 0 ? null : track.clips().get(index);
            if (clip != null && clip.enabled()) {
                Rational inside = clip.at(position);
                Spot spot = clip.content() instanceof Clip.Content.OfMaster nested
                        ? spot(masters.apply(nested.masterId()), inside, depth + 1) : new Spot(clip, inside);
                if (spot != null) {
                    return spot;
                }
            }
        }
        return null;
    }

    private static Clip byFrames(List<Spot> run, FrameRange range) {
        List<RetimeKey> retimeKeys = new ArrayList<>();
        for (int k = 0; k < run.size(); k++) {
            retimeKeys.add(new RetimeKey(Rational.of(k), run.get(k).position(), RetimeInterpolation.STRAIGHT));
        }
        Clip bare = run.get(0).clip().withTransitions(null, null);
        return retimeKeys.size() == 1 ? bare.timed(range, retimeKeys.get(0).position(), Rational.ONE) : bare.withRetimeKeys(range, retimeKeys);
    }
}
