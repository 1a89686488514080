package freshsplice.render;

import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.Rational;
import java.nio.file.Path;

/**
 * A clip of sound in a movie.
 *
 * @param file    what it is cut from
 * @param from    seconds into the file, exactly
 * @param seconds how long, exactly
 * @param at      seconds into the movie, exactly
 * @param loud    how loud it is heard
 * @param channel of the file, from 1, odd ones heard at the left; 0 for all
 */
public record MovieSound(Path file, Rational from, Rational seconds, Rational at, Loudness loud, int channel) {
    /**
     * How loud a clip is: its gain, and its fades in even steps from and to silence.
     *
     * @param gain    1 as it was recorded
     * @param gone    seconds of the clip that lie before the part that is heard
     * @param whole   seconds of the whole clip
     * @param fadeIn  seconds; 0 for none
     * @param fadeOut seconds; 0 for none
     */
    public record Loudness(double gain, Rational gone, Rational whole, Rational fadeIn, Rational fadeOut) {
        public static final Loudness PLAIN = new Loudness(1, Rational.ZERO, Rational.ZERO, Rational.ZERO, Rational.ZERO);
    }

    /** One that is heard as it was recorded. */
    public MovieSound(Path file, Rational from, Rational seconds, Rational at) {
        this(file, from, seconds, at, Loudness.PLAIN, SourceChannels.ALL);
    }
}
