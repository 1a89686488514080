package freshsplice.core.master;

import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/** Where a marker on the content of a clip is seen. */
public final class MarkerPosition {
    private MarkerPosition() {
    }

    /** The first record frame at which a clip shows the content frame of a position; empty where it does not. */
    public static OptionalLong recordOf(Clip clip, Rational position) {
        long wanted = position.floor();
        if (clip.isEven() && !clip.speed().isZero()) {
            Rational first = Rational.of(clip.speed().signum() > 0 ? wanted : wanted + 1).minus(clip.from())
                    .dividedBy(clip.speed());
            // fast clips step over frames: the marker is then at the frame after it, as long as that is not the head
            long off = clip.speed().signum() > 0 ? -first.negate().floor() : first.floor() + 1;
            long at = clip.record().in() + Math.max(0, off);
            boolean before = at == clip.record().in() && clip.at(at).floor() != wanted;
            return !before && clip.record().contains(at) ? OptionalLong.of(at) : OptionalLong.empty();
        }
        for (long f = clip.record().in(); f < clip.record().out(); f++) {
            if (clip.at(f).floor() == wanted) {
                return OptionalLong.of(f);
            }
        }
        return OptionalLong.empty();
    }

    /**
     * Whether a marker has to look for another clip after an edit: its own is gone, or shows its frame no more though it did.
     *
     * @param was its clip before the edit; null where that was gone then
     * @param is  the same after it; null where it is gone
     */
    public static boolean isLeft(Clip was, Clip is, Rational position) {
        return is == null || shows(was, position) && !shows(is, position);
    }

    /**
     * The clip on which a marker that was left goes on: one that shows the same frame of the same content. Where its own is still there, it
     * goes to a new one alone: its clip was split, or remade in part.
     *
     * @param was   its clip before the edit
     * @param is    the same after it; null where it is gone
     * @param now   all clips after the edit, with their ids
     * @param known ids of the clips before it
     */
    public static Optional<Clip> heir(Clip was, Clip is, Rational position, List<Clip> now, Set<Long> known) {
        return was == null ? Optional.empty() : now.stream().filter(s -> is == null || !known.contains(s.id()))
                .filter(s -> s.content().equals(was.content()) && shows(s, position)).findFirst();
    }

    private static boolean shows(Clip clip, Rational position) {
        return clip != null && recordOf(clip, position).isPresent();
    }
}
