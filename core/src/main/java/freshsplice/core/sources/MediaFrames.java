package freshsplice.core.sources;

import freshsplice.core.cut.Source;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;

/**
 * Which of its own frames a movie, or a run of numbered pictures, shows for a position of the source that it was found
 * for. Every view and report asks here.
 *
 * @param zero   source frame at which its first frame lies
 * @param frames how many it has, at least 1
 */
public record MediaFrames(long zero, long frames) {
    /**
     * By the file's timecode where what is shown lies in it; else from where the source begins.
     *
     * @param file   the file; {@link Candidate#start} may be null
     * @param shown  a source frame that is shown
     * @param begins see {@link #begins}
     */
    public static MediaFrames of(Candidate file, long shown, long begins) {
        long start = file.start() == null ? 0 : file.start();
        boolean byTimecode = shown >= start && shown < start + file.frames();
        return new MediaFrames(byTimecode ? start : begins, Math.max(1, file.frames()));
    }

    /** The frames of a file that was found for a clip. @param seen the record frames on which the clip is seen */
    public static MediaFrames of(Candidate file, Source source, FrameRange seen, TimeMap time) {
        return of(file, time.frameAt(seen.in()), begins(source, time.at(seen.in()), time.at(seen.last())));
    }

    /**
     * Where a source begins as far as its cut tells: its own first frame, or the lowest that is shown, as of a clip
     * that was cut to length (common practice).
     *
     * @param first source position at the first record frame
     * @param last  source position at the last record frame; lower than {@code first} in a clip that runs backwards
     */
    public static long begins(Source source, Rational first, Rational last) {
        return source != null && source.start() != null ? source.start() : Rational.min(first, last).floor();
    }

    /** The frame of the file, from 0; its first before it begins and its last after its end. */
    public long frameAt(Rational sourcePosition) {
        return Math.max(0, Math.min(frames - 1, sourcePosition.floor() - zero));
    }
}
