package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/**
 * One value over frames. Before the first key and after the last it holds. Evaluated at the exact fractional frame,
 * so that a retimed shot moves smoothly.
 *
 * @param keys  in order of rising frames, one a frame
 * @param plain the value where there are no keys
 */
public record Channel(List<Key> keys, double plain) {
    private static final double HALF_TURN = 180;

    public Channel {
        keys = keys.stream().sorted(Comparator.comparingLong(Key::frame)).toList();
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).frame() == keys.get(i - 1).frame()) {
                throw new Refusal("Two keys on frame " + keys.get(i).frame());
            }
        }
    }

    public static Channel constant(double value) {
        return new Channel(List.of(), value);
    }

    public double at(Rational frame) {
        return at(frame.toDouble());
    }

    /** The value as an angle in degrees at an exact frame: between two keys it turns the short way. */
    public double angleAt(Rational frame) {
        return valueAt(frame.toDouble(), Channel::shortWay);
    }

    /**
     * From 170° to −170° it is 20° on, not 340° back. A difference of a whole turn and more was meant: a wheel that turns
     * twice is keyed 0 and 720.
     */
    private static double shortWay(double difference) {
        double size = Math.abs(difference);
        return size > HALF_TURN && size < 2 * HALF_TURN ? difference - Math.signum(difference) * 2 * HALF_TURN : difference;
    }

    /** The value at a frame or between two. */
    public double at(double frame) {
        return valueAt(frame, DoubleUnaryOperator.identity());
    }

    private double valueAt(double frame, DoubleUnaryOperator way) {
        if (keys.isEmpty()) {
            return plain;
        }
        int after = firstAfter(frame);
        if (after == 0) {
            return keys.get(0).value();
        }
        Key a = keys.get(after - 1);
        if (after == keys.size()) {
            return a.value();
        }
        Key b = keys.get(after);
        double t = (frame - a.frame()) / (b.frame() - a.frame());
        return a.value() + way.applyAsDouble(b.value() - a.value()) * a.easing().share(t);
    }

    /** With a key, in place of one on the same frame. */
    public Channel withKey(Key key) {
        List<Key> with = new ArrayList<>(keys);
        with.removeIf(k -> k.frame() == key.frame());
        with.add(key);
        return new Channel(with, plain);
    }

    private int firstAfter(double frame) {
        int low = 0;
        int high = keys.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (keys.get(middle).frame() <= frame) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
