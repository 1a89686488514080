package freshsplice.render;

import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.Rational;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Clips of sound mixed for movies, as ffmpeg is told it. */
final class SoundFilter {
    /** Sound is written at so many samples/s, as video delivery commonly is (common practice). */
    private static final int SAMPLES = 48_000;

    /** AAC takes so many samples at once (ISO/IEC 14496-3); silence alone, where files end before their clips do, would come in larger parts. */
    private static final int ENCODED_AT_ONCE = 1024;

    private final List<MovieSound> sound;
    private final Rational length;
    private final int before;

    /** @param length seconds of picture, with which the sound ends; @param before inputs of the command that come before these */
    SoundFilter(List<MovieSound> sound, Rational length, int before) {
        this.before = before;
        this.sound = sound;
        this.length = length;
    }

    boolean isHeard() {
        return !sound.isEmpty();
    }

    /** The files that it is cut from, after the pictures. */
    List<String> inputs() {
        List<String> words = new ArrayList<>();
        for (MovieSound clip : sound) {
            words.addAll(List.of("-ss", seconds(clip.from()), "-t", seconds(clip.seconds()), "-i",
                    clip.file().toAbsolutePath().toString()));
        }
        return words;
    }

    /** Filters that end in {@code [a0]}, {@code [a1]} and so on, one for each movie. */
    String filters(int movies) {
        if (!isHeard() || movies == 0) {
            return "";
        }
        StringBuilder filters = new StringBuilder();
        for (int i = 0; i < sound.size(); i++) {
            filters.append(String.format(Locale.ROOT, ";[%d:a]aresample=%d,%s%s,adelay=%dS:all=1[s%d]", before + i, SAMPLES,
                    channels(sound.get(i).channel()), volume(sound.get(i).loud()), sound.get(i).at().times(SAMPLES).round(), i));
        }
        filters.append(';');
        for (int i = 0; i < sound.size(); i++) {
            filters.append("[s").append(i).append(']');
        }
        filters.append(String.format(Locale.ROOT, "amix=inputs=%d:normalize=0,apad,atrim=0:%s,asetnsamples=n=%d:p=0,asplit=%d", sound.size(), seconds(length), ENCODED_AT_ONCE, movies));
        for (int i = 0; i < movies; i++) {
            filters.append("[a").append(i).append(']');
        }
        return filters.toString();
    }

    /** Sound of one channel is heard on both sides as loud as it was recorded, and so is a channel on its own side. */
    private static String channels(int channel) {
        String both = "pan=stereo|FL<FL+FC|FR<FR+FC";
        if (channel == SourceChannels.ALL) {
            return both;
        }
        int side = SourceChannels.isLeft(channel) ? 0 : 1;
        return channel > 2 ? "pan=stereo|c" + side + "=c" + (channel - 1) : both + ",pan=stereo|c" + side + "=c" + side;
    }

    private static String volume(MovieSound.Loudness loud) {
        if (loud.equals(MovieSound.Loudness.PLAIN)) {
            return "";
        }
        StringBuilder volume = new StringBuilder(String.format(Locale.ROOT, "%.6f", loud.gain()));
        if (loud.fadeIn().signum() > 0) {
            volume.append(String.format(Locale.ROOT, "*min(1\\,(t+%s)/%s)", seconds(loud.gone()), seconds(loud.fadeIn())));
        }
        if (loud.fadeOut().signum() > 0) {
            volume.append(String.format(Locale.ROOT, "*max(0\\,min(1\\,(%s-t)/%s))", seconds(loud.whole().minus(loud.gone())),
                    seconds(loud.fadeOut())));
        }
        return ",asetpts=PTS-STARTPTS,volume='" + volume + "':eval=frame";
    }

    /** To the microsecond, as ffmpeg counts. */
    private static String seconds(Rational value) {
        return BigDecimal.valueOf(value.times(1_000_000).round(), 6).toPlainString();
    }
}
