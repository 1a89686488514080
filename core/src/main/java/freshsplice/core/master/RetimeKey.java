package freshsplice.core.master;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.List;

/**
 * A place where the speed of a clip changes: a key of its time.
 *
 * @param at       frames from the first frame of the clip; may lie outside it where the clip was trimmed
 * @param position exact position in the content there
 * @param interpolation how it goes on to the next one; beyond the last one it goes on as it came
 */
public record RetimeKey(Rational at, Rational position, RetimeInterpolation interpolation) {
    /** More of them nobody could handle, and a list that long comes from a slip of the hand. */
    public static final int MOST = 40;
    /** Shares of an eased stretch are rounded to this, so that exact fractions stay short. */
    private static final long GRAIN = 1_000_000;

    /** @throws IllegalArgumentException if they do not rise in time, are one alone, or are too many */
    public static List<RetimeKey> checked(List<RetimeKey> keys) {
        if (keys.size() == 1 || keys.size() > MOST) {
            throw new Refusal("A speed that changes has 2 to " + MOST + " keys, not " + keys.size());
        }
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).at.compareTo(keys.get(i - 1).at) <= 0) {
                throw new Refusal("The keys of a speed must come one after another: frame "
                        + keys.get(i).at + " follows frame " + keys.get(i - 1).at);
            }
        }
        return keys;
    }

    /** The keys of a map of time that goes straight from each to the next, counted from a record frame. */
    public static List<RetimeKey> of(TimeMap time, long record) {
        return time.keys().stream().map(k -> new RetimeKey(Rational.of(k.record() - record), k.source(), RetimeInterpolation.STRAIGHT)).toList();
    }

    /** Whether they lie on one line, and time goes straight from each to the next. */
    static boolean areStraight(List<RetimeKey> keys) {
        for (int i = 1; i < keys.size(); i++) {
            RetimeKey a = keys.get(i - 1);
            RetimeKey b = keys.get(i);
            Rational slope = b.position.minus(a.position).dividedBy(b.at.minus(a.at));
            boolean goesOn = keys.get(0).position.plus(slope.times(b.at.minus(keys.get(0).at))).equals(b.position);
            if (a.interpolation != RetimeInterpolation.STRAIGHT || !goesOn) {
                return false;
            }
        }
        return true;
    }

    /** The exact position at an exact number of frames from the first one; straight on beyond both ends. */
    public static Rational at(List<RetimeKey> keys, Rational frames) {
        int i = 0;
        int high = keys.size() - 2;
        while (i < high) {
            int middle = (i + high + 1) >>> 1;
            if (keys.get(middle).at.compareTo(frames) <= 0) {
                i = middle;
            } else {
                high = middle - 1;
            }
        }
        RetimeKey a = keys.get(i);
        RetimeKey b = keys.get(i + 1);
        Rational share = frames.minus(a.at).dividedBy(b.at.minus(a.at));
        boolean inside = share.signum() > 0 && share.isLessThan(Rational.ONE);
        return a.position.plus(b.position.minus(a.position).times(inside ? shared(a.interpolation, share) : share));
    }

    private static Rational shared(RetimeInterpolation interpolation, Rational t) {
        return switch (interpolation) {
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
    public static List<RetimeKey> shifted(List<RetimeKey> keys, long frames) {
        return frames == 0 ? keys : keys.stream().map(b -> new RetimeKey(b.at.plus(frames), b.position, b.interpolation)).toList();
    }

    /** The same course over other content. @param frames by which each position comes later */
    public static List<RetimeKey> slipped(List<RetimeKey> keys, Rational frames) {
        return keys.stream().map(b -> new RetimeKey(b.at, b.position.plus(frames), b.interpolation)).toList();
    }

    /** The same course stretched or squeezed in time. @param by new length over old */
    public static List<RetimeKey> stretched(List<RetimeKey> keys, Rational by) {
        return keys.stream().map(b -> new RetimeKey(b.at.times(by), b.position, b.interpolation)).toList();
    }

    /**
     * The same course the other way round: what was seen at the last of so many frames is seen at the first. A stepped
     * stretch holds the frame that it held.
     */
    public static List<RetimeKey> reversed(List<RetimeKey> keys, long length) {
        List<RetimeKey> turned = new ArrayList<>();
        for (int i = keys.size() - 1; i >= 0; i--) {
            // the interpolation of a stretch stands at its first key, which is its last one now
            RetimeInterpolation interpolation = keys.get(Math.max(0, i - 1)).interpolation;
            turned.add(new RetimeKey(Rational.of(length - 1).minus(keys.get(i).at), keys.get(i).position, interpolation));
        }
        return turned;
    }

    /** Text that {@link #parse} reads: {@code "0:1001:EASED 48:1010/3:STRAIGHT"}; empty for none. */
    public static String text(List<RetimeKey> keys) {
        return String.join(" ", keys.stream().map(b -> b.at + ":" + b.position + ":" + b.interpolation).toList());
    }

    /** @throws IllegalArgumentException if the text is no list of keys */
    public static List<RetimeKey> parse(String text) {
        List<RetimeKey> keys = new ArrayList<>();
        for (String word : text == null || text.isBlank() ? new String[0] : text.strip().split("\\s+")) {
            String[] parts = word.split(":");
            if (parts.length != 3) {
                throw new Refusal("A key of a speed is frame:position:easing, not \"" + word + "\"");
            }
            keys.add(new RetimeKey(Rational.parse(parts[0]), Rational.parse(parts[1]), RetimeInterpolation.valueOf(parts[2])));
        }
        return keys;
    }
}
