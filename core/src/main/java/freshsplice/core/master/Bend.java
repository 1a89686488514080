package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;

/**
 * A place where the speed of a piece changes: a key of its time.
 *
 * @param at       frames from the first frame of the piece; may lie outside it where the piece was trimmed
 * @param position exact position in the content there
 * @param pace     how it goes on to the next one; beyond the last one it goes on as it came
 */
public record Bend(Rational at, Rational position, Pace pace) {
    /** More of them nobody could handle, and a list that long comes from a slip of the hand. */
    public static final int MOST = 40;
    /** Shares of an eased stretch are rounded to this, so that exact fractions stay short. */
    private static final long GRAIN = 1_000_000;

    /** @throws IllegalArgumentException if they do not rise in time, are one alone, or are too many */
    public static List<Bend> checked(List<Bend> bends) {
        if (bends.size() == 1 || bends.size() > MOST) {
            throw new Refusal("A speed that changes has 2 to " + MOST + " keys, not " + bends.size());
        }
        for (int i = 1; i < bends.size(); i++) {
            if (bends.get(i).at.compareTo(bends.get(i - 1).at) <= 0) {
                throw new Refusal("The keys of a speed must come one after another: frame "
                        + bends.get(i).at + " follows frame " + bends.get(i - 1).at);
            }
        }
        return bends;
    }

    /** The keys of a map of time that goes straight from each to the next, counted from a record frame. */
    public static List<Bend> of(TimeMap time, long record) {
        return time.keys().stream().map(k -> new Bend(Rational.of(k.record() - record), k.source(), Pace.STRAIGHT)).toList();
    }

    /** Whether they lie on one line, and time goes straight from each to the next. */
    static boolean areStraight(List<Bend> bends) {
        for (int i = 1; i < bends.size(); i++) {
            Bend a = bends.get(i - 1);
            Bend b = bends.get(i);
            Rational slope = b.position.minus(a.position).dividedBy(b.at.minus(a.at));
            boolean goesOn = bends.get(0).position.plus(slope.times(b.at.minus(bends.get(0).at))).equals(b.position);
            if (a.pace != Pace.STRAIGHT || !goesOn) {
                return false;
            }
        }
        return true;
    }

    /** The exact position at an exact number of frames from the first one; straight on beyond both ends. */
    public static Rational at(List<Bend> bends, Rational frames) {
        int i = 0;
        int high = bends.size() - 2;
        while (i < high) {
            int middle = (i + high + 1) >>> 1;
            if (bends.get(middle).at.compareTo(frames) <= 0) {
                i = middle;
            } else {
                high = middle - 1;
            }
        }
        Bend a = bends.get(i);
        Bend b = bends.get(i + 1);
        Rational share = frames.minus(a.at).dividedBy(b.at.minus(a.at));
        boolean inside = share.signum() > 0 && share.isLessThan(Rational.ONE);
        return a.position.plus(b.position.minus(a.position).times(inside ? shared(a.pace, share) : share));
    }

    private static Rational shared(Pace pace, Rational t) {
        return switch (pace) {
            case STRAIGHT -> t;
            case STEPPED -> Rational.ZERO;
            // smoothstep, 3t² − 2t³, as camera keys are eased
            case EASED -> {
                double s = t.toDouble();
                yield Rational.of(Math.round(s * s * (3 - 2 * s) * GRAIN), GRAIN);
            }
        };
    }

    /** The same course counted from another frame. @param frames by which each key comes later */
    public static List<Bend> shifted(List<Bend> bends, long frames) {
        return frames == 0 ? bends : bends.stream().map(b -> new Bend(b.at.plus(frames), b.position, b.pace)).toList();
    }

    /** The same course over other content. @param frames by which each position comes later */
    public static List<Bend> slipped(List<Bend> bends, Rational frames) {
        return bends.stream().map(b -> new Bend(b.at, b.position.plus(frames), b.pace)).toList();
    }

    /** The same course stretched or squeezed in time. @param by new length over old */
    public static List<Bend> stretched(List<Bend> bends, Rational by) {
        return bends.stream().map(b -> new Bend(b.at.times(by), b.position, b.pace)).toList();
    }

    /**
     * The same course the other way round: what was seen at the last of so many frames is seen at the first. A stepped
     * stretch holds the frame that it held.
     */
    public static List<Bend> reversed(List<Bend> bends, long length) {
        List<Bend> turned = new ArrayList<>();
        for (int i = bends.size() - 1; i >= 0; i--) {
            // the pace of a stretch stands at its first key, which is its last one now
            Pace pace = bends.get(Math.max(0, i - 1)).pace;
            turned.add(new Bend(Rational.of(length - 1).minus(bends.get(i).at), bends.get(i).position, pace));
        }
        return turned;
    }

    /** Text that {@link #parse} reads: {@code "0:1001:EASED 48:1010/3:STRAIGHT"}; empty for none. */
    public static String text(List<Bend> bends) {
        return String.join(" ", bends.stream().map(b -> b.at + ":" + b.position + ":" + b.pace).toList());
    }

    /** @throws IllegalArgumentException if the text is no list of keys */
    public static List<Bend> parse(String text) {
        List<Bend> bends = new ArrayList<>();
        for (String word : text == null || text.isBlank() ? new String[0] : text.strip().split("\\s+")) {
            String[] parts = word.split(":");
            if (parts.length != 3) {
                throw new Refusal("A key of a speed is frame:position:easing, not \"" + word + "\"");
            }
            bends.add(new Bend(Rational.parse(parts[0]), Rational.parse(parts[1]), Pace.valueOf(parts[2])));
        }
        return bends;
    }
}
