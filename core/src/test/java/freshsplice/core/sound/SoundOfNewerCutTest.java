package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.sound.SoundOfNewerCut.Clip;
import freshsplice.core.sound.SoundOfNewerCut.Laid;
import freshsplice.core.sound.SoundOfNewerCut.Outcome;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Sound under a newer cut (common practice: what people did to sound outlives a list that leaves it as it was). */
class SoundOfNewerCutTest {
    private static final FrameRate RATE = FrameRate.FPS_24;

    private static Clip clip(String source, long in, long out, long from) {
        return new Clip("A1", source, 0, FrameRange.of(in, out), RATE.seconds(from));
    }

    private static Laid laid(long id, Clip clip) {
        return new Laid(id, clip.track(), clip.source(), clip.channel(), new SoundClip(clip.record(), clip.fromSeconds(), 0, 0));
    }

    private static final Clip WIND = clip("wind", 0, 100, 0);
    private static final Clip SEA = clip("sea", 100, 200, 12);

    private static Outcome of(List<Laid> laid, List<Clip> newer) {
        return SoundOfNewerCut.of(laid, List.of(WIND, SEA), newer, RATE);
    }

    @Test
    @DisplayName("a picture-only cut leaves all of it as it is")
    void pictureOnly() {
        Outcome outcome = of(List.of(laid(1, WIND), laid(2, SEA)), List.of());
        assertThat(outcome.placed()).isEmpty();
        assertThat(outcome.gone()).isEmpty();
        assertThat(outcome.added()).isEmpty();
    }

    @Test
    @DisplayName("what the cut trims, moves, adds and leaves out follows it; the clip stays the same clip")
    void follows() {
        Clip trimmed = clip("wind", 0, 90, 0);
        Clip pushed = clip("sea", 90, 190, 12);
        Clip gulls = clip("gulls", 50, 70, 0);
        Outcome outcome = of(List.of(laid(1, WIND), laid(2, SEA)), List.of(trimmed, pushed, gulls));
        assertThat(outcome.placed()).containsOnly(java.util.Map.entry(1L, trimmed), java.util.Map.entry(2L, pushed));
        assertThat(outcome.added()).containsExactly(gulls);
        assertThat(of(List.of(laid(1, WIND), laid(2, SEA)), List.of(SEA)).gone()).containsExactly(1L);
    }

    @Test
    @DisplayName("what was laid by hand stays, whatever the cut does")
    void byHand() {
        Laid byHand = new Laid(9, "A3", null, 0, new SoundClip(FrameRange.of(20, 60), Rational.ZERO, 4, 4));
        Outcome outcome = of(List.of(laid(1, WIND), byHand), List.of(clip("gulls", 0, 50, 0)));
        assertThat(outcome.gone()).containsExactly(1L);
        assertThat(outcome.placed()).isEmpty();
    }

    @Test
    @DisplayName("what people trimmed, nudged, split or took out stays so where the cut leaves it as it was, and follows it where it does not")
    void madeByPeople() {
        Laid nudged = laid(1, clip("wind", 5, 105, 0));
        List<Laid> split = List.of(laid(2, clip("sea", 100, 150, 12)), laid(3, clip("sea", 150, 200, 62)));
        List<Laid> all = List.of(nudged, split.get(0), split.get(1));
        Clip pushed = clip("sea", 110, 210, 12);
        Outcome same = of(all, List.of(WIND, pushed));
        assertThat(same.placed()).isEmpty();
        assertThat(same.gone()).isEmpty();
        assertThat(same.added()).isEmpty();
        Clip longer = clip("sea", 110, 230, 12);
        Outcome changed = of(all, List.of(WIND, longer));
        assertThat(changed.placed()).containsOnly(java.util.Map.entry(2L, longer));
        assertThat(changed.gone()).containsExactly(3L);
        assertThat(of(List.of(laid(1, WIND)), List.of(WIND, SEA)).added()).as("taken out by hand").isEmpty();
        assertThat(of(List.of(laid(1, WIND)), List.of(WIND, longer)).added()).as("and changed by the cut").containsExactly(longer);
    }

    @Test
    @DisplayName("of several clips of one source each goes on as the one that it was")
    void oneSource() {
        Clip first = clip("sea", 0, 50, 0);
        Clip second = clip("sea", 50, 100, 200);
        Clip secondNow = clip("sea", 40, 100, 190);
        Outcome outcome = SoundOfNewerCut.of(List.of(laid(1, first), laid(2, second)), List.of(first, second),
                List.of(clip("sea", 0, 40, 0), secondNow), RATE);
        assertThat(outcome.placed()).containsEntry(2L, secondNow).containsKey(1L);
        assertThat(outcome.added()).isEmpty();
    }
}
