package freshsplice.core.master;

import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/** Where a mark on the content of a piece is seen. */
public final class MarkPlace {
    private MarkPlace() {
    }

    /** The first record frame at which a piece shows the content frame of a position; empty where it does not. */
    public static OptionalLong recordOf(Section section, Rational position) {
        long wanted = position.floor();
        if (section.isEven() && !section.speed().isZero()) {
            Rational first = Rational.of(section.speed().signum() > 0 ? wanted : wanted + 1).minus(section.from())
                    .dividedBy(section.speed());
            // fast pieces step over frames: the mark is then at the frame after it, as long as that is not the head
            long off = section.speed().signum() > 0 ? -first.negate().floor() : first.floor() + 1;
            long at = section.record().in() + Math.max(0, off);
            boolean before = at == section.record().in() && section.at(at).floor() != wanted;
            return !before && section.record().contains(at) ? OptionalLong.of(at) : OptionalLong.empty();
        }
        for (long f = section.record().in(); f < section.record().out(); f++) {
            if (section.at(f).floor() == wanted) {
                return OptionalLong.of(f);
            }
        }
        return OptionalLong.empty();
    }

    /**
     * Whether a mark has to look for another piece after an edit: its own is gone, or shows its frame no more though it did.
     *
     * @param was its piece before the edit; null where that was gone then
     * @param is  the same after it; null where it is gone
     */
    public static boolean isLeft(Section was, Section is, Rational position) {
        return is == null || shows(was, position) && !shows(is, position);
    }

    /**
     * The piece on which a mark that was left goes on: one that shows the same frame of the same content. Where its own is still there, it
     * goes to a new one alone: its piece was split, or remade in part.
     *
     * @param was   its piece before the edit
     * @param is    the same after it; null where it is gone
     * @param now   all pieces after the edit, with their ids
     * @param known ids of the pieces before it
     */
    public static Optional<Section> heir(Section was, Section is, Rational position, List<Section> now, Set<Long> known) {
        return was == null ? Optional.empty() : now.stream().filter(s -> is == null || !known.contains(s.id()))
                .filter(s -> s.content().equals(was.content()) && shows(s, position)).findFirst();
    }

    private static boolean shows(Section piece, Rational position) {
        return piece != null && recordOf(piece, position).isPresent();
    }
}
