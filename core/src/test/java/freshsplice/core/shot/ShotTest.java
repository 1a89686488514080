package freshsplice.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Which frames a shot has, and how its clock, that of the action and that of the source go together. */
class ShotTest {
    private static final Shot.Anchor STILL = new Shot.Anchor("panel", "panel 7", 1001, Rational.of(0), Rational.of(0), true);

    /** The cut begins at 1001, with 8 frames of handles outside it: common practice. */
    private static Shot shot(long frames, int handles, long actionOffset) {
        return new Shot(7, "sh0010", FrameRange.ofLength(1001, frames), handles, actionOffset, STILL);
    }

    @Test
    @DisplayName("handles lie outside the cut: a shot of 24 frames has 993 to 1032, and 40 in all")
    void frames() {
        FrameRange all = shot(24, 8, 0).frames();
        assertThat(all.in()).isEqualTo(993);
        assertThat(all.last()).isEqualTo(1032);
        assertThat(all.length()).isEqualTo(40);
        assertThat(shot(1, 0, 0).frames()).isEqualTo(FrameRange.of(1001, 1002));
    }

    @Test
    @DisplayName("one without a frame, or with handles that would cut into it, is refused by its code")
    void refused() {
        assertThatThrownBy(() -> shot(0, 8, 0)).isInstanceOf(Refusal.class).hasMessageContaining("sh0010");
        assertThatThrownBy(() -> shot(24, -1, 0)).isInstanceOf(Refusal.class).hasMessageContaining("sh0010");
    }

    @Test
    @DisplayName("shots of one action follow each other on its clock: 1 to 100 and then 101 to 200, whatever their own numbers are")
    void oneAction() {
        Shot first = shot(100, 8, shot(100, 8, 0).offsetForFirst(1));
        Shot second = shot(100, 8, shot(100, 8, 0).offsetForFirst(101));
        assertThat(first.actionAt(Rational.of(1001))).isEqualTo(Rational.of(1));
        assertThat(first.actionAt(Rational.of(1100))).isEqualTo(Rational.of(100));
        assertThat(second.actionAt(Rational.of(1001))).isEqualTo(Rational.of(101));
        assertThat(second.actionAt(Rational.of(second.cutRange().last()))).isEqualTo(Rational.of(200));
    }

    @Test
    @DisplayName("a moment between two frames is exact on both clocks, and knows the action of any other frame of its shot")
    void moment() {
        Shot shot = shot(100, 8, -900);
        Moment half = shot.momentAt(Rational.of(2003, 2));
        assertThat(half.shotFrame()).isEqualTo(Rational.of(2003, 2));
        assertThat(half.actionFrame()).isEqualTo(Rational.of(203, 2));
        assertThat(half.actionOf(1001)).isEqualTo(Rational.of(101));
        assertThat(half.actionOf(993)).isEqualTo(shot.actionAt(Rational.of(993)));
    }

    @Test
    @DisplayName("what lags behind lags by thousandths of a frame: earlier where it lags, later where it runs ahead")
    void lag() {
        Moment moment = new Moment(Rational.of(1001), Rational.of(100));
        assertThat(moment.actionBefore(2.5)).isEqualTo(Rational.of(195, 2));
        assertThat(moment.actionBefore(0)).isEqualTo(Rational.of(100));
        assertThat(moment.actionBefore(-1)).isEqualTo(Rational.of(101));
        assertThat(moment.actionBefore(0.0004)).isEqualTo(Rational.of(100));
        assertThat(moment.actionBefore(1.0 / 3)).isEqualTo(Rational.of(100_000 - 333, 1000));
    }

    @Test
    @DisplayName("an anchor goes from shot to source and back without a loss, at any speed, backwards too")
    void anchors() {
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            long slope = random.nextLong(-3000, 3000);
            Shot.Anchor anchor = new Shot.Anchor("reel", "reel 1", random.nextLong(900, 1300), Rational.of(random.nextLong(0, 200_000), 1 + random.nextInt(4)),
                    Rational.of(slope == 0 ? 1 : slope, 1001), false);
            Rational frame = Rational.of(random.nextLong(2000, 4000), 2);
            assertThat(anchor.frameAt(anchor.sourceAt(frame))).isEqualTo(frame);
            assertThat(anchor.sourceAt(Rational.of(anchor.shotFrame()))).isEqualTo(anchor.source());
        }
    }

    @Test
    @DisplayName("a source at half speed moves on by one frame in two of the shot, one played backwards comes before")
    void speeds() {
        Shot.Anchor half = new Shot.Anchor("reel", "reel 1", 1001, Rational.of(90_000), Rational.of(1, 2), false);
        assertThat(half.sourceAt(Rational.of(1025))).isEqualTo(Rational.of(90_012));
        assertThat(half.sourceAt(Rational.of(1002))).isEqualTo(Rational.of(180_001, 2));
        Shot.Anchor back = new Shot.Anchor("reel", "reel 1", 1001, Rational.of(90_000), Rational.of(-1), false);
        assertThat(back.sourceAt(Rational.of(1011))).isEqualTo(Rational.of(89_990));
        assertThat(back.frameAt(Rational.of(90_008))).isEqualTo(Rational.of(993));
    }
}
