package freshsplice.exchange.aaf;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;

/**
 * Where the chain from a slot ends: source clip, master mob, file, tape.
 *
 * @param name    the master mob's name, else the first name along the chain
 * @param reel    the tape's name; null where there is none
 * @param file    plain path or address; null where no locator tells one
 * @param rate    rate of the source's own frames
 * @param start   source frame of the media's first frame; null where the chain has no media
 * @param length  frames of the media; null where it is not told
 * @param base    source position of the slot's position 0
 * @param perUnit source frames for each unit of the slot
 * @param timed   whether the source has a timecode that its positions count on
 */
record AafChain(String name, String reel, String file, FrameRate rate, Long start, Long length, Rational base,
                Rational perUnit, boolean timed) {
    /** The same end, seen from a slot whose position 0 is {@code offset} units of this one, at another rate. */
    AafChain from(Rational offset, Rational unitsPerUnit) {
        return new AafChain(name, reel, file, rate, start, length, base.plus(offset.times(perUnit)),
                perUnit.times(unitsPerUnit), timed);
    }

    AafChain named(String better) {
        return better == null || better.isEmpty() ? this
                : new AafChain(better, reel, file, rate, start, length, base, perUnit, timed);
    }

    /** The same source on a timecode that counts {@code label} at this slot's position 0. */
    AafChain labelled(Rational label) {
        return new AafChain(name, reel, file, rate, start == null ? null : start + label.minus(base).floor(), length,
                label, perUnit, true);
    }
}
