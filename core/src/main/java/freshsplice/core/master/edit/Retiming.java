package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Edits of how fast a clip goes through its content. */
public final class Retiming {
    /** Faster than this nobody sees anything, and typed slips of the hand are caught. */
    private static final Rational FASTEST = Rational.of(100);

    private Retiming() {
    }

    /**
     * Stretches or squeezes what a clip shows to another length: the same content from end to end, slower or faster.
     *
     * @param out   record frame at which it is to end; what is there must leave room, unless it is pushed along
     * @param following whether what comes after is pushed along
     */
    public static Master fill(Master master, Place place, long out, Following following) {
        Clip clip = place.in(master);
        FrameRange record = clip.record();
        if (out <= record.in()) {
            throw new Refusal("A clip lasts at least one frame: it begins at record frame "
                    + record.in());
        }
        Rational by = Rational.of(out - record.in()).dividedBy(Rational.of(record.length()));
        Clip stretched = clip.isEven()
                ? clip.timed(record.withOut(out), clip.from(), clip.speed().dividedBy(by))
                : clip.withRetimeKeys(record.withOut(out), RetimeKey.stretched(clip.retimeKeys(), by));
        return following == Following.MOVES_ALONG ? Master.checked(Ripple.after(master, place, stretched, record.out(), out - record.out()))
                : place.changed(master, stretched);
    }

    /** Stretches or squeezes a clip up to the clip after it: the gap behind it closes. */
    public static Master fillGap(Master master, Place place) {
        List<Clip> clips = master.tracks().get(place.track()).clips();
        if (place.index() + 1 >= clips.size()) {
            throw new Refusal("No clip comes after this one, so there is no gap to fill");
        }
        return fill(master, place, clips.get(place.index() + 1).record().in(), Following.STAYS);
    }

    /** Another constant speed in the same place, from the same first frame; negative backwards. */
    public static Master speed(Master master, Place place, Rational speed) {
        if (speed.abs().compareTo(FASTEST) > 0) {
            throw new Refusal("A clip goes at most " + FASTEST + " times as fast");
        }
        Clip clip = place.in(master);
        return place.changed(master, clip.timed(clip.record(), clip.from(), speed));
    }

    /** The same frames the other way round. */
    public static Master reverse(Master master, Place place) {
        Clip clip = place.in(master);
        return place.changed(master, clip.isEven()
                ? clip.timed(clip.record(), clip.at(clip.record().last()), clip.speed().negate())
                : clip.withRetimeKeys(clip.record(), RetimeKey.reversed(clip.retimeKeys(), clip.record().length())));
    }

    /** One frame throughout: the one that is seen at a record frame. */
    public static Master hold(Master master, Place place, long at) {
        Clip clip = place.in(master);
        checkInside(clip, at);
        return place.changed(master, clip.timed(clip.record(), Rational.of(clip.at(at).floor()), Rational.ZERO));
    }

    /**
     * A key at a record frame, so that the speed can be another before it and after it. What is seen stays as it is: a
     * clip of one speed gets keys at its ends too.
     */
    public static Master key(Master master, Place place, long at) {
        Clip clip = place.in(master);
        checkInside(clip, at);
        List<RetimeKey> retimeKeys = withEnds(clip);
        Rational frames = Rational.of(at - clip.record().in());
        if (retimeKeys.stream().anyMatch(b -> b.at().equals(frames))) {
            throw new Refusal("The speed has a key at record frame " + at + " already");
        }
        RetimeInterpolation easing = retimeKeys.stream().filter(b -> b.at().compareTo(frames) < 0).reduce((a, b) -> b)
                .map(RetimeKey::interpolation).orElse(RetimeInterpolation.STRAIGHT);
        retimeKeys.add(new RetimeKey(frames, clip.at(at), easing));
        return retimed(master, place, retimeKeys);
    }

    /**
     * Shows another frame of the content at a key: time goes faster on one side of it and slower on the other.
     *
     * @param frames frames of the content later (+) or earlier (−)
     */
    public static Master moveKey(Master master, Place place, long at, Rational frames) {
        Clip clip = place.in(master);
        int index = keyAt(clip, at);
        List<RetimeKey> retimeKeys = new ArrayList<>(clip.retimeKeys());
        RetimeKey key = retimeKeys.get(index);
        retimeKeys.set(index, new RetimeKey(key.at(), key.position().plus(frames), key.interpolation()));
        return retimed(master, place, retimeKeys);
    }

    /** How time goes on from a key to the next one. */
    public static Master easeKey(Master master, Place place, long at, RetimeInterpolation easing) {
        Clip clip = place.in(master);
        int index = keyAt(clip, at);
        List<RetimeKey> retimeKeys = new ArrayList<>(clip.retimeKeys());
        retimeKeys.set(index, new RetimeKey(retimeKeys.get(index).at(), retimeKeys.get(index).position(), easing));
        return retimed(master, place, retimeKeys);
    }

    /** Takes a key away; with the last but one, the clip goes at its mean speed again. */
    public static Master removeKey(Master master, Place place, long at) {
        Clip clip = place.in(master);
        List<RetimeKey> retimeKeys = new ArrayList<>(clip.retimeKeys());
        retimeKeys.remove(keyAt(clip, at));
        return retimeKeys.size() < 2 ? place.changed(master, clip.timed(clip.record(), clip.from(), clip.speed()))
                : retimed(master, place, retimeKeys);
    }

    private static List<RetimeKey> withEnds(Clip clip) {
        if (!clip.isEven()) {
            return new ArrayList<>(clip.retimeKeys());
        }
        return new ArrayList<>(List.of(new RetimeKey(Rational.ZERO, clip.from(), RetimeInterpolation.STRAIGHT),
                new RetimeKey(Rational.of(clip.record().length()), clip.to(), RetimeInterpolation.STRAIGHT)));
    }

    private static int keyAt(Clip clip, long at) {
        Rational frames = Rational.of(at - clip.record().in());
        for (int i = 0; i < clip.retimeKeys().size(); i++) {
            if (clip.retimeKeys().get(i).at().equals(frames)) {
                return i;
            }
        }
        throw new Refusal("The speed has no key at record frame " + at + ": put one there first");
    }

    private static Master retimed(Master master, Place place, List<RetimeKey> retimeKeys) {
        retimeKeys.sort(Comparator.comparing(RetimeKey::at));
        Clip clip = place.in(master);
        return place.changed(master, clip.withRetimeKeys(clip.record(), RetimeKey.checked(retimeKeys)));
    }

    private static void checkInside(Clip clip, long at) {
        if (!clip.record().contains(at)) {
            throw new Refusal("Record frame " + at + " does not lie inside the clip");
        }
    }
}
