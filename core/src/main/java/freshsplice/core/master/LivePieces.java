package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongFunction;

/**
 * A master as one lane: its live pieces in record order, nested masters opened and upper lanes cut in. What
 * {@link FrameChain} answers frame by frame, said in ranges; a test holds the two together. A transition is kept where all
 * of it is seen at its own speed; elsewhere the chain alone knows its shares.
 */
public final class LivePieces {
    /**
     * A live piece.
     *
     * @param section what is seen, on the outer master's clock; its id is that of the innermost piece
     * @param outer   the piece of the outer master that it comes from: the same one where nothing is nested
     * @param lane    index of the outer master's lane
     */
    public record Live(Section section, Section outer, int lane) {
        /** Whether it lies in a nested master. */
        public boolean isNested() {
            return outer.content() instanceof Section.Content.OfMaster;
        }
    }

    private static final int DEEPEST = 32;

    private final LongFunction<Master> masters;

    /** @param masters finds nested masters by id */
    public LivePieces(LongFunction<Master> masters) {
        this.masters = masters;
    }

    /** What is live, over all lanes that are switched on. */
    public List<Live> of(Master master) {
        return of(master, 0);
    }

    /** One lane by itself with its nested masters opened; what is switched off too. */
    public List<Live> ofLane(Master master, int lane) {
        List<Live> live = new ArrayList<>();
        for (Section section : master.lanes().get(lane).sections()) {
            live.addAll(opened(section, lane, section.record(), 0));
        }
        return live;
    }

    private List<Live> of(Master master, int depth) {
        if (depth > DEEPEST) {
            throw new IllegalStateException("Master " + master.name() + " is nested in itself");
        }
        List<Live> above = List.of();
        for (int i = master.lanes().size() - 1; i >= 0; i--) {
            if (master.lanes().get(i).enabled()) {
                above = under(above, master.lanes().get(i), i, depth);
            }
        }
        return above;
    }

    /** What is seen of a lane between what is live above it, together with that. */
    private List<Live> under(List<Live> above, Lane lane, int index, int depth) {
        List<Live> all = new ArrayList<>();
        int a = 0;
        for (Section section : lane.sections()) {
            if (!section.enabled()) {
                continue;
            }
            FrameRange seen = section.record();
            long from = seen.in();
            while (a < above.size() && above.get(a).section().record().in() < seen.out()) {
                FrameRange covered = above.get(a).section().record();
                if (covered.in() > from) {
                    all.addAll(opened(section, index, FrameRange.of(from, covered.in()), depth));
                }
                from = Math.max(from, covered.out());
                if (covered.out() > seen.out()) {
                    break;
                }
                all.add(above.get(a++));
            }
            if (from < seen.out()) {
                all.addAll(opened(section, index, FrameRange.of(from, seen.out()), depth));
            }
        }
        while (a < above.size()) {
            all.add(above.get(a++));
        }
        return all;
    }

    /** A part of a piece; where it nests a master, the live pieces of that. */
    private List<Live> opened(Section section, int lane, FrameRange part, int depth) {
        if (!(section.content() instanceof Section.Content.OfMaster nested)) {
            return List.of(new Live(cut(section, part), section, lane));
        }
        Master within = masters.apply(nested.masterId());
        List<Live> inner = of(within, depth + 1);
        boolean even = section.isEven() && inner.stream().allMatch(l -> l.section().isEven());
        List<Section> seen = even ? evenly(section, part, inner) : frameByFrame(section, within, part);
        return seen.stream().map(s -> new Live(s.switched(section.enabled() && s.enabled()), section, lane)).toList();
    }

    /** A part of a piece with the transitions that lie in it whole. */
    private static Section cut(Section section, FrameRange part) {
        if (part.equals(section.record())) {
            return section;
        }
        Transition head = part.in() == section.record().in() ? section.head() : null;
        Transition tail = part.out() == section.record().out() ? section.tail() : null;
        boolean headFits = head != null && head.after() <= part.length();
        boolean tailFits = tail != null && tail.before() <= part.length();
        return section.over(part).withTransitions(headFits ? head : null, tailFits ? tail : null);
    }

    private static List<Section> evenly(Section outer, FrameRange part, List<Live> inner) {
        List<Section> seen = new ArrayList<>();
        boolean plain = outer.speed().equals(Rational.ONE) && outer.from().isWhole();
        for (Live live : inner) {
            Section piece = live.section();
            FrameRange range = framesThatShow(outer, piece.record());
            FrameRange shown = range == null ? FrameRange.of(0, 0) : range.sharedWith(part);
            if (shown.isEmpty()) {
                continue;
            }
            Section laid = piece.timed(shown, piece.at(outer.at(shown.in())), piece.speed().times(outer.speed()));
            boolean whole = shown.length() == piece.record().length();
            seen.add(plain && whole ? laid : laid.withTransitions(null, null));
        }
        seen.sort(Comparator.comparingLong(s -> s.record().in()));
        return seen;
    }

    /** The record frames at which a nest shows a frame of a range of what it nests; null for none. */
    private static FrameRange framesThatShow(Section nest, FrameRange inner) {
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

    /** An exact position in the content of an innermost piece. */
    private record Spot(Section section, Rational position) {
    }

    /** Where speeds change on the way, the position at every frame is a key: what the chain says, frame by frame. */
    private List<Section> frameByFrame(Section outer, Master nested, FrameRange part) {
        List<Section> seen = new ArrayList<>();
        List<Spot> run = new ArrayList<>();
        for (long f = part.in(); f <= part.out(); f++) {
            Spot spot = f < part.out() ? spot(nested, outer.at(f), 0) : null;
            if (!run.isEmpty() && (spot == null || spot.section() != run.get(0).section())) {
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
        for (int i = master.lanes().size() - 1; i >= 0; i--) {
            Lane lane = master.lanes().get(i);
            int index = lane.enabled() ? lane.indexAt(position.floor()) : -1;
            Section section = index < 0 ? null : lane.sections().get(index);
            if (section != null && section.enabled()) {
                Rational inside = section.at(position);
                Spot spot = section.content() instanceof Section.Content.OfMaster nested
                        ? spot(masters.apply(nested.masterId()), inside, depth + 1) : new Spot(section, inside);
                if (spot != null) {
                    return spot;
                }
            }
        }
        return null;
    }

    private static Section byFrames(List<Spot> run, FrameRange range) {
        List<Bend> bends = new ArrayList<>();
        for (int k = 0; k < run.size(); k++) {
            bends.add(new Bend(Rational.of(k), run.get(k).position(), Pace.STRAIGHT));
        }
        Section bare = run.get(0).section().withTransitions(null, null);
        return bends.size() == 1 ? bare.timed(range, bends.get(0).position(), Rational.ONE) : bare.bent(range, bends);
    }
}
