package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;

/**
 * Which source position is seen at a record frame. Positions are exact fractions of source frames; the picture
 * shown is the frame that contains the position. A map is a line through keys: two keys for a constant speed,
 * equal positions for a held frame, falling positions for reverse.
 *
 * @param keys   at least two, in order of strictly rising record frames
 * @param smooth eased between keys instead of linear; only for maps of three keys and more, or as a file says
 */
public record TimeMap(List<Key> keys, boolean smooth) {
    /** @param record a record frame; @param source the source position at it */
    public record Key(long record, Rational source) {
    }

    public TimeMap {
        keys = List.copyOf(keys);
        if (keys.size() < 2) {
            throw new Refusal("A map of time needs two keys");
        }
        for (int i = 1; i < keys.size(); i++) {
            if (keys.get(i).record <= keys.get(i - 1).record) {
                throw new Refusal("Keys of a map of time must rise: " + keys);
            }
        }
    }

    /** From {@code from} at {@code record.in} to {@code to} at {@code record.out}. The range may not be empty. */
    public static TimeMap between(FrameRange record, Rational from, Rational to) {
        return new TimeMap(List.of(new Key(record.in(), from), new Key(record.out(), to)), false);
    }

    /** From {@code from}, moving {@code perFrame} source frames with each record frame. */
    public static TimeMap constant(FrameRange record, Rational from, Rational perFrame) {
        return between(record, from, from.plus(perFrame.times(record.length())));
    }

    /** The exact source position at a record frame; beyond the keys the outer slope goes on. */
    public Rational at(long recordFrame) {
        int i = segmentAt(recordFrame);
        Key a = keys.get(i);
        Key b = keys.get(i + 1);
        if (recordFrame == a.record) {
            return a.source;
        }
        if (recordFrame == b.record) {
            return b.source;
        }
        return between(a, b, Rational.of(recordFrame - a.record, b.record - a.record));
    }

    /** The exact source position at an exact position of the record clock; beyond the keys the outer slope goes on. */
    public Rational at(Rational record) {
        if (record.isWhole()) {
            return at(record.floor());
        }
        int i = segmentAt(record.floor());
        Key a = keys.get(i);
        Key b = keys.get(i + 1);
        return between(a, b, record.minus(Rational.of(a.record)).dividedBy(Rational.of(b.record - a.record)));
    }

    private Rational between(Key a, Key b, Rational share) {
        // smoothstep, 3t² − 2t³: exact for fractions
        boolean eased = smooth && share.signum() > 0 && share.isLessThan(Rational.ONE);
        Rational gone = eased ? share.times(share).times(Rational.of(3).minus(share.times(2))) : share;
        return a.source.plus(b.source.minus(a.source).times(gone));
    }

    /** Whether every source position has one place on the record clock, which can be told exactly. */
    public boolean isOneWay() {
        int way = keys.get(1).source.compareTo(keys.get(0).source);
        for (int i = 1; i < keys.size(); i++) {
            if (way == 0 || Integer.signum(keys.get(i).source.compareTo(keys.get(i - 1).source)) != Integer.signum(way)) {
                return false;
            }
        }
        return !smooth;
    }

    /** Where on the record clock a source position is; only where it {@link #isOneWay}. Beyond the keys the outer slope goes on. */
    public Rational recordAt(Rational source) {
        boolean rises = keys.get(1).source.compareTo(keys.get(0).source) > 0;
        int i = 0;
        while (i < keys.size() - 2 && (rises ? keys.get(i + 1).source.compareTo(source) <= 0 : keys.get(i + 1).source.compareTo(source) >= 0)) {
            i++;
        }
        Key a = keys.get(i);
        Key b = keys.get(i + 1);
        return source.minus(a.source).dividedBy(b.source.minus(a.source)).times(b.record - a.record).plus(a.record);
    }

    /** The source frame seen at a record frame: the one that contains the position. */
    public long frameAt(long recordFrame) {
        return at(recordFrame).floor();
    }

    /** Source frames per record frame where that is the same throughout. */
    public Optional<Rational> slope() {
        if (smooth || keys.size() != 2) {
            return Optional.empty();
        }
        Key a = keys.get(0);
        Key b = keys.get(1);
        return Optional.of(b.source.minus(a.source).dividedBy(Rational.of(b.record - a.record)));
    }

    /** One source frame shown throughout. */
    public boolean isHeld() {
        return keys.stream().allMatch(k -> k.source.equals(keys.get(0).source));
    }

    /** The same map on another part of the record clock, its source positions unchanged at each moved frame. */
    public TimeMap shiftedBy(long frames) {
        if (frames == 0) {
            return this;
        }
        return new TimeMap(keys.stream().map(k -> new Key(k.record + frames, k.source)).toList(), smooth);
    }

    /**
     * The map over another stretch, longer or shorter, showing the same at each frame. Its ends lie at those of {@code record},
     * unless it is eased there: a stretch eased in part is told by the keys at both its ends, also where they lie outside.
     */
    public TimeMap over(FrameRange record) {
        if (keys.size() == 2 && !smooth) {
            return between(record, at(record.in()), at(record.out()));
        }
        if (smooth) {
            return easedOver(record);
        }
        List<Key> inside = new ArrayList<>();
        inside.add(new Key(record.in(), at(record.in())));
        keys.stream().filter(k -> k.record > record.in() && k.record < record.out()).forEach(inside::add);
        inside.add(new Key(record.out(), at(record.out())));
        return new TimeMap(inside, false);
    }

    private TimeMap easedOver(FrameRange record) {
        int first = segmentAt(record.in());
        int last = segmentAt(record.out() - 1) + 1;
        List<Key> kept = new ArrayList<>(keys.subList(first, last + 1));
        // beyond the outer keys nothing is eased: a key there would ease it
        return new TimeMap(kept, true);
    }

    /** The map over a stretch with no key outside of it, and nothing eased in part: told frame by frame where that would be. */
    public TimeMap within(FrameRange record) {
        TimeMap cut = over(record);
        boolean inside = cut.keys.get(0).record >= record.in() && cut.keys.get(cut.keys.size() - 1).record <= record.out();
        return inside ? cut : frameByFrame(record);
    }

    /** The same at each frame of a stretch and at its end, straight between them. */
    public TimeMap frameByFrame(FrameRange record) {
        return new TimeMap(LongStream.rangeClosed(record.in(), record.out()).mapToObj(r -> new Key(r, at(r))).toList(), false).withoutStraightKeys();
    }

    /** The same map without the keys that say nothing: those on the line between their neighbours. */
    public TimeMap withoutStraightKeys() {
        if (keys.size() == 2 || smooth) {
            return this;
        }
        List<Key> kept = new ArrayList<>();
        for (Key key : keys) {
            while (kept.size() >= 2 && isStraight(kept.get(kept.size() - 2), kept.get(kept.size() - 1), key)) {
                kept.remove(kept.size() - 1);
            }
            kept.add(key);
        }
        return new TimeMap(kept, false);
    }

    private static boolean isStraight(Key a, Key b, Key c) {
        return b.source.minus(a.source).times(c.record - b.record)
                .equals(c.source.minus(b.source).times(b.record - a.record));
    }

    /** Text that {@link #parse} reads: {@code "1001:0 1025:48/5"}, with {@code "smooth "} before it where it is eased. */
    public String text() {
        return (smooth ? "smooth " : "") + String.join(" ", keys.stream().map(k -> k.record + ":" + k.source).toList());
    }

    /** @throws IllegalArgumentException if the text is no map */
    public static TimeMap parse(String text) {
        boolean smooth = text.startsWith("smooth ");
        List<Key> keys = new ArrayList<>();
        for (String key : text.substring(smooth ? "smooth ".length() : 0).split(" ")) {
            int colon = key.indexOf(':');
            keys.add(new Key(Long.parseLong(key.substring(0, colon)), Rational.parse(key.substring(colon + 1))));
        }
        return new TimeMap(keys, smooth);
    }

    private int segmentAt(long recordFrame) {
        int low = 0;
        int high = keys.size() - 2;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (keys.get(middle).record <= recordFrame) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
