package freshsplice.core.time;

import freshsplice.core.refusal.Refusal;

/**
 * A half-open range of whole frames, {@code [in, out)}.
 *
 * @param in  the first frame
 * @param out the frame after the last, never before {@code in}
 */
public record FrameRange(long in, long out) {
    public FrameRange {
        if (out < in) {
            throw new Refusal("A range cannot end before it begins: [" + in + ", " + out + ")");
        }
    }

    public static FrameRange of(long in, long out) {
        return new FrameRange(in, out);
    }

    /** The range of {@code length} frames that begins at {@code in}. */
    public static FrameRange ofLength(long in, long length) {
        return new FrameRange(in, in + length);
    }

    public long length() {
        return out - in;
    }

    public boolean isEmpty() {
        return in == out;
    }

    /** The last frame in it, as people write ranges: [1001, 1049) is 1001–1048. */
    public long last() {
        return out - 1;
    }

    public boolean contains(long frame) {
        return frame >= in && frame < out;
    }

    public boolean overlaps(FrameRange other) {
        return in < other.out && other.in < out;
    }

    /** Frames that both ranges have; 0 where they only touch. */
    public long overlapWith(FrameRange other) {
        return Math.max(0, Math.min(out, other.out) - Math.max(in, other.in));
    }

    /** The frames that both have; empty, at this one's in, where they share none. */
    public FrameRange sharedWith(FrameRange other) {
        return overlaps(other) ? new FrameRange(Math.max(in, other.in), Math.min(out, other.out))
                : new FrameRange(in, in);
    }

    public FrameRange shiftedBy(long frames) {
        return frames == 0 ? this : new FrameRange(in + frames, out + frames);
    }

    public FrameRange withIn(long newIn) {
        return new FrameRange(newIn, out);
    }

    public FrameRange withOut(long newOut) {
        return new FrameRange(in, newOut);
    }

    /** The smallest range that has all of both. */
    public FrameRange spanWith(FrameRange other) {
        return new FrameRange(Math.min(in, other.in), Math.max(out, other.out));
    }

    @Override
    public String toString() {
        return "[" + in + ", " + out + ")";
    }
}
