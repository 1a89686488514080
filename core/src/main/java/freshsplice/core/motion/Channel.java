package freshsplice.core.motion;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * One value over frames. Before the first key and after the last it holds. Evaluated at the exact fractional frame,
 * so that a retimed shot moves smoothly.
 *
 * @param keys  in order of rising frames, one a frame
 * @param plain the value where there are no keys
 */
public record Channel(List<Key> keys, double plain) {
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

    /** The value at a frame or between two. */
    public double at(double frame) {
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
        return a.value() + (b.value() - a.value()) * a.easing().share(t);
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
