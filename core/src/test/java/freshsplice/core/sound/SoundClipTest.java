package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class SoundClipTest {
    private static final SoundClip CLIP = new SoundClip(FrameRange.of(100, 148), Rational.ONE, 10, 12);

    /** Second of the file that is heard at a frame. */
    private static Rational heard(SoundClip clip, long frame, FrameRate rate) {
        return clip.fromSeconds().plus(rate.seconds(frame - clip.record().in()));
    }

    @RepeatedTest(40)
    @DisplayName("split or trimmed, each frame that stays sounds as it did, at every rate")
    void soundsTheSame(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        FrameRate rate = List.of(FrameRate.FPS_24, FrameRate.FPS_23_976, FrameRate.FPS_25, FrameRate.FPS_29_97).get(random.nextInt(4));
        SoundClip clip = new SoundClip(FrameRange.ofLength(random.nextInt(5000), 20 + random.nextInt(500)), Rational.of(40), 0, 0);
        long at = clip.record().in() + 1 + random.nextInt((int) clip.record().length() - 1);
        List<SoundClip> parts = clip.splitAt(at, rate);
        assertThat(parts.get(0).record().spanWith(parts.get(1).record())).isEqualTo(clip.record());
        assertThat(heard(parts.get(1), at, rate)).isEqualTo(heard(clip, at, rate));
        SoundClip trimmed = clip.trimmed(random.nextInt(19) - 9, random.nextInt(9), rate);
        assertThat(heard(trimmed, at, rate)).isEqualTo(heard(clip, at, rate));
        assertThat(heard(clip.moved(7), at + 7, rate)).isEqualTo(heard(clip, at, rate));
    }

    @Test
    @DisplayName("fades stay with their ends, and never are longer than what is left")
    void fades() {
        List<SoundClip> parts = CLIP.splitAt(105, FrameRate.FPS_24);
        assertThat(parts).extracting(SoundClip::fadeIn).containsExactly(5L, 0L);
        assertThat(parts).extracting(SoundClip::fadeOut).containsExactly(0L, 12L);
        assertThatThrownBy(() -> CLIP.faded(40, 12)).hasMessage("Fades of 40 and 12 frames do not fit into the 48 frames of this sound");
    }

    @Test
    @DisplayName("the whole of a file is its whole frames; what cannot be is said")
    void whole() {
        assertThat(SoundClip.whole(86_400, Rational.of(21, 10), FrameRate.FPS_24).record()).isEqualTo(FrameRange.ofLength(86_400, 50));
        assertThat(SoundClip.whole(0, Rational.of(1, 100), FrameRate.FPS_24).record().length()).isEqualTo(1);
        assertThatThrownBy(() -> CLIP.trimmed(-25, 0, FrameRate.FPS_24)).hasMessageContaining("begins 24 frames before this");
        assertThatThrownBy(() -> CLIP.trimmed(0, -48, FrameRate.FPS_24)).hasMessageContaining("at least one frame");
        assertThatThrownBy(() -> CLIP.moved(-101)).hasMessageContaining("before record frame 0");
        assertThatThrownBy(() -> CLIP.splitAt(100, FrameRate.FPS_24)).hasMessageContaining("from record frame 100 to 147");
    }

    @Test
    @DisplayName("a sound is laid where it lies over none: on the track that is meant, the first free one, or a new one")
    void tracks() {
        TreeMap<String, List<FrameRange>> tracks = new TreeMap<>();
        tracks.put("A1", List.of(FrameRange.of(0, 50)));
        tracks.put("A3", List.of(FrameRange.of(60, 90)));
        assertThat(FreeTrack.of(tracks, FrameRange.of(50, 60), "A3")).isEqualTo("A3");
        assertThat(FreeTrack.of(tracks, FrameRange.of(70, 80), "A3")).isEqualTo("A1");
        assertThat(FreeTrack.of(tracks, FrameRange.of(40, 70), null)).isEqualTo("A4");
        assertThat(FreeTrack.of(new TreeMap<>(), FrameRange.of(0, 1), null)).isEqualTo("A1");
        assertThat(FreeTrack.of(tracks, FrameRange.of(0, 1), "wind")).isEqualTo("wind");
    }
}
