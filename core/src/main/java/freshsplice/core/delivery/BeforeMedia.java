package freshsplice.core.delivery;

import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.function.LongFunction;

/** Frames of a clip that lie before the first frame of its media: a list that named them would name frames that are not there. */
final class BeforeMedia {
    private BeforeMedia() {
    }

    /** The part of a range on which its media has begun; empty where none has. @param at source position by record frame */
    static FrameRange left(FrameRange range, Source source, LongFunction<Rational> at) {
        Rational first = Rational.of(source.start() == null ? 0 : source.start());
        long in = range.in();
        while (in < range.out() && at.apply(in).compareTo(first) < 0) {
            in++;
        }
        return FrameRange.of(in, range.out());
    }
}
