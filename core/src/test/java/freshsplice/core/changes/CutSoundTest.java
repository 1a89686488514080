package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.identity.SameSources;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class CutSoundTest {
    /** Two pictures of 50 frames each, under which the sound is asked for. */
    private static final ComparedClip FIRST = picture(0);
    private static final ComparedClip SECOND = picture(50);
    private static final Event GUIDE = sound("guide", 0, 100, 1000);

    private static ComparedClip picture(long at) {
        FrameRange range = FrameRange.ofLength(at, 50);
        return new ComparedClip(range, range, "board", Rational.ZERO, Rational.ONE, null, true, "board", "", "");
    }

    private static Event sound(String name, long in, long out, long from) {
        return sound(Source.named(name, null, FrameRate.FPS_24), in, out, Rational.of(from), Rational.ONE);
    }

    private static Event sound(Source source, long in, long out, Rational from, Rational slope) {
        FrameRange record = FrameRange.of(in, out);
        return Event.clip(null, source.name(), record, source, TimeMap.constant(record, from, slope));
    }

    private static Cut cut(Event... events) {
        return tracks(new Track(Track.Kind.SOUND, "A1", true, List.of(events), List.of()));
    }

    private static Cut tracks(Track... tracks) {
        return new Cut("Sound", FrameRate.FPS_24, false, FrameRange.of(0, 100), List.of(tracks), List.of());
    }

    private static boolean differs(Cut older, Cut newer, ComparedClip oldClip, ComparedClip newClip) {
        return CutSound.pair(older, newer, (a, b) -> null).differs(oldClip, newClip);
    }

    private static boolean differs(Cut older, Cut newer) {
        return differs(older, newer, FIRST, FIRST);
    }

    @Test
    @DisplayName("the same sound under the same picture is the same, and a slipped one is not")
    void slipped() {
        assertThat(differs(cut(GUIDE), cut(GUIDE))).isFalse();
        assertThat(differs(cut(GUIDE), cut(sound("guide", 0, 100, 1001)))).isTrue();
    }

    @Test
    @DisplayName("what goes along with a picture that moved is the same")
    void movedAlong() {
        Cut newer = cut(sound("wind", 0, 50, 0), sound("guide", 50, 100, 1000));
        assertThat(differs(cut(GUIDE), newer, FIRST, SECOND)).isFalse();
        assertThat(differs(cut(GUIDE), newer, SECOND, SECOND)).as("there the guide was further on").isTrue();
    }

    @Test
    @DisplayName("a seam in the sound where it runs on is heard nowhere else than under its own picture")
    void splitUnderOnePicture() {
        Cut split = cut(sound("guide", 0, 60, 1000), sound("guide", 60, 100, 1063));
        assertThat(differs(cut(GUIDE), split, FIRST, FIRST)).isFalse();
        assertThat(differs(cut(GUIDE), split, SECOND, SECOND)).isTrue();
    }

    @Test
    @DisplayName("sound that was taken away, or put to a track beside it, is another one")
    void takenAwayOrAdded() {
        Track guide = new Track(Track.Kind.SOUND, "A1", true, List.of(GUIDE), List.of());
        Track wind = new Track(Track.Kind.SOUND, "A2", true, List.of(sound("wind", 0, 50, 0)), List.of());
        assertThat(differs(tracks(guide, wind), tracks(guide))).isTrue();
        assertThat(differs(tracks(guide), tracks(guide, wind))).isTrue();
        assertThat(differs(tracks(guide, wind), tracks(guide, wind))).isFalse();
    }

    @Test
    @DisplayName("a cut without any sound says nothing of it")
    void silentCut() {
        assertThat(differs(cut(GUIDE), cut())).isFalse();
        assertThat(differs(cut(), cut(GUIDE))).isTrue();
    }

    @Test
    @DisplayName("tracks that formats name otherwise are told by their order")
    void trackNames() {
        Track named = new Track(Track.Kind.SOUND, "Dialogue 1", true, List.of(GUIDE), List.of());
        assertThat(differs(tracks(named), cut(GUIDE))).isFalse();
        Track second = new Track(Track.Kind.SOUND, "A2", true, List.of(GUIDE), List.of());
        assertThat(differs(tracks(second), cut(GUIDE))).as("A2 is not A1").isTrue();
    }

    @Test
    @DisplayName("another speed is heard; formats' rounding of positions is not")
    void speedAndRounding() {
        Source guide = GUIDE.source();
        assertThat(differs(cut(GUIDE), cut(sound(guide, 0, 100, Rational.of(1000), Rational.of(9, 10))))).isTrue();
        assertThat(differs(cut(GUIDE), cut(sound(guide, 0, 100, Rational.of(1_000_001, 1000), Rational.ONE)))).isFalse();
    }

    @Test
    @DisplayName("a file that is counted in samples in one list and in frames in the other is the same where both begin alike")
    void samplesAndFrames() {
        FrameRate samples = FrameRate.of(48_000, 1);
        Source inSamples = new Source("guide", null, "guide.wav", samples, null, null);
        Source inFrames = new Source("guide", null, "guide.wav", FrameRate.FPS_24, null, null);
        Cut older = cut(sound(inSamples, 0, 100, Rational.of(48_000 / 24 * 1000), Rational.of(2000)));
        Cut newer = cut(sound(inFrames, 0, 100, Rational.of(1000), Rational.ONE));
        assertThat(differs(older, newer)).isFalse();
        assertThat(differs(older, cut(sound(inFrames, 0, 100, Rational.of(1004), Rational.ONE)))).isTrue();
    }

    @Test
    @DisplayName("what people say of two sources holds for sound too")
    void decided() {
        Cut older = cut(GUIDE);
        Cut newer = cut(sound("mix_v2", 0, 100, 1000));
        assertThat(differs(older, newer)).isTrue();
        SameSources.Decisions one = (a, b) -> true;
        assertThat(CutSound.pair(older, newer, one).differs(FIRST, FIRST)).isFalse();
    }
}
