package freshsplice.core.master;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.Optional;

/**
 * The clock of a nested master beside the one that nests it.
 *
 * @param shift frames to add to a frame of the outer one for the frame of the nested one that is seen there
 * @param seen  what of the nested one is seen, on its own clock
 */
public record NestClock(long shift, FrameRange seen) {
    /** Empty where the nest runs at another speed than its own: one frame there is not one frame here. */
    public static Optional<NestClock> of(Clip nest) {
        if (!nest.isEven() || !nest.speed().equals(Rational.ONE) || !nest.from().isWhole()) {
            return Optional.empty();
        }
        long first = nest.from().floor();
        return Optional.of(new NestClock(first - nest.record().in(), FrameRange.ofLength(first, nest.record().length())));
    }

    /** The clock of a master nested in the nested one, beside the outermost. */
    public NestClock inside(NestClock inner) {
        FrameRange here = seen.shiftedBy(inner.shift);
        return new NestClock(shift + inner.shift, FrameRange.of(Math.max(here.in(), inner.seen.in()),
                Math.max(Math.max(here.in(), inner.seen.in()), Math.min(here.out(), inner.seen.out()))));
    }
}
