package freshsplice.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FollowsPictureTest {
    private static final Master TWO = new Master(1, "m", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", List.of(
            Clip.ofShot(1, 1, FrameRange.of(0, 40), Rational.of(1001)),
            Clip.ofShot(2, 2, FrameRange.of(40, 100), Rational.of(1001))))));

    @Test
    @DisplayName("a split edit stays split: sound that begins before its picture goes along with it by the same frames")
    void splitStaysSplit() {
        Master longer = Trims.tail(TWO, new Place(0, 0), 7, Following.MOVES_ALONG);
        FollowsPicture follows = new FollowsPicture(TWO, longer);
        assertThat(follows.shift(FrameRange.of(32, 90))).as("begins 8 frames before its picture").isEqualTo(7);
        assertThat(follows.shift(FrameRange.of(0, 30))).as("under the first").isZero();
        assertThat(follows.shift(FrameRange.of(0, 100))).as("more than half lies under the second").isEqualTo(7);
        assertThat(follows.shift(FrameRange.of(0, 400))).as("under all of it").isZero();
    }

    @Test
    @DisplayName("frames taken out before them take markers and sounds along, whichever end they were taken from")
    void framesTakenOutBefore() {
        Master shorter = Trims.head(TWO, new Place(0, 0), 6, Following.MOVES_ALONG);
        FollowsPicture follows = new FollowsPicture(TWO, shorter);
        assertThat(follows.shift(FrameRange.of(10, 36))).as("under the clip that lost its head").isEqualTo(-6);
        assertThat(follows.shift(FrameRange.of(44, 90))).isEqualTo(-6);
        assertThat(follows.shift(FrameRange.of(110, 130))).as("behind all pictures").isEqualTo(-6);
        assertThat(follows.shiftAt(60)).as("a marker").isEqualTo(-6);
        Master tail = Trims.tail(TWO, new Place(0, 0), -6, Following.MOVES_ALONG);
        assertThat(new FollowsPicture(TWO, tail).shift(FrameRange.of(0, 400))).as("begins before").isZero();
        assertThat(new FollowsPicture(TWO, tail).shiftAt(50)).isEqualTo(-6);
        assertThat(new FollowsPicture(TWO, tail).shiftAt(10)).isZero();
        Master slipped = Trims.slip(TWO, new Place(0, 1), Rational.of(9));
        assertThat(new FollowsPicture(TWO, slipped).shift(FrameRange.of(44, 90))).as("a slip moves nothing").isZero();
        Master out = Arranging.extract(TWO, List.of(new Place(0, 0)));
        assertThat(new FollowsPicture(TWO, out).shiftAt(70)).isEqualTo(-40);
    }

    @Test
    @DisplayName("decibels by the textbook: −6.02 is half, 0 is as recorded, −60 and less is silence; a track alone silences others")
    void levels() {
        assertThat(Level.factor(-6.0206)).isCloseTo(0.5, within(1e-5));
        assertThat(Level.factor(0)).isEqualTo(1);
        assertThat(Level.factor(6.0206)).isCloseTo(2, within(1e-4));
        assertThat(Level.factor(-60)).isZero();
        assertThat(Level.heard(false, false, true, 0)).isZero();
        assertThat(Level.heard(false, true, true, 0)).isEqualTo(1);
        assertThat(Level.heard(true, true, true, 0)).isZero();
        assertThatThrownBy(() -> Level.checked(Double.NaN)).hasMessageContaining("decibels");
    }
}
