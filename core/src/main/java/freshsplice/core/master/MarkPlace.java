package freshsplice.core.master;

import freshsplice.core.time.Rational;
import java.util.OptionalLong;

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
}
