package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * One value over frames. Before the first key and after the last it holds; a spring swings on until it rests. Evaluated at the
 * exact fractional frame, so that a retimed shot moves smoothly.
 *
 * @param keys  in order of rising frames, one a frame
 * @param plain the value where there are no keys
 */
public record Channel(List<Key> keys, double plain) {
    /** @throws Refusal if two keys are on one frame */
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

    /** The value as an angle in degrees at an exact frame: between two keys it turns the way that the first says. */
    public double angleAt(Rational frame) {
        return valueAt(frame.toDouble(), true);
    }

    /** The value at a frame or between two. */
    public double at(double frame) {
        return valueAt(frame, false);
    }

    /** Whether it changes over time at all. */
    public boolean moves() {
        return keys.size() > 1;
    }

    private double valueAt(double frame, boolean angle) {
        if (keys.isEmpty()) {
            return plain;
        }
        int after = firstAfter(frame);
        if (after == 0) {
            return keys.get(0).value();
        }
        int at = after - 1;
        double value = after == keys.size() ? keys.get(at).value() : between(at, frame, angle);
        return value - swing(at, frame, angle);
    }

    private double between(int at, double frame, boolean angle) {
        Segment way = way(at, angle);
        return way.at(frame - keys.get(at).frame(), keys.get(at + 1).arriving(),
                new Segment.Slopes(through(at, angle, way, true), through(at + 1, angle, way, false)));
    }

    /** The speed at a key for a way that goes through it. @param leaving whether the way begins there */
    private double through(int key, boolean angle, Segment way, boolean leaving) {
        if (!goesThrough(key, leaving)) {
            return 0;
        }
        boolean first = key == 0;
        boolean last = key == keys.size() - 1;
        if (first || last) {
            int neighbour = first ? 1 : keys.size() - 3;
            return Segment.end(way, neighbour < 0 || neighbour > keys.size() - 2 ? null : way(neighbour, angle));
        }
        return Segment.through(leaving ? way(key - 1, angle) : way, leaving ? way : way(key, angle));
    }

    private boolean goesThrough(int key, boolean leaving) {
        Easing side = leaving ? keys.get(key).leaving() : keys.get(key).arriving();
        return (side == null ? keys.get(key - 1).leaving() : side) instanceof Easing.Through;
    }

    private Segment way(int from, boolean angle) {
        Key a = keys.get(from);
        Key b = keys.get(from + 1);
        double rise = b.value() - a.value();
        return new Segment(a, b, angle ? a.way().of(rise) : rise);
    }

    /** What springs that were let go before a key still swing: each goes on over all that follows, as its equation says. */
    private double swing(int key, double frame, boolean angle) {
        double left = 0;
        for (int i = 0; i < key; i++) {
            if (keys.get(i).leaving() instanceof Easing.Spring spring) {
                left += way(i, angle).rise() * spring.left(frame - keys.get(i).frame());
            }
        }
        return left;
    }

    /** With a key, in place of one on the same frame. */
    public Channel withKey(Key key) {
        List<Key> with = new ArrayList<>(keys);
        with.removeIf(k -> k.frame() == key.frame());
        with.add(key);
        return new Channel(with, plain);
    }

    /** Without its key on a frame. What loses its last key keeps that one's value. */
    public Channel withoutKey(long frame) {
        List<Key> left = keys.stream().filter(k -> k.frame() != frame).toList();
        return new Channel(left, left.isEmpty() && !keys.isEmpty() ? keys.get(0).value() : plain);
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
