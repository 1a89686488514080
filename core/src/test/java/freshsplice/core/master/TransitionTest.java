package freshsplice.core.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class TransitionTest {
    private static double share(Transition.Curve curve, long length, long frame) {
        return new Transition(Transition.Kind.DISSOLVE, length, 0, curve).share(frame);
    }

    /** Worked by hand: frame k of n stands at (k + 1) / (n + 1) of the curve. */
    @ParameterizedTest
    @CsvSource({"EVEN, 1, 0, 0.5", "EVEN, 3, 0, 0.25", "EVEN, 3, 2, 0.75", "EVEN, 24, 11, 0.48",
        "EASED, 3, 0, 0.15625", "EASED, 3, 1, 0.5", "LATE, 3, 0, 0.0625", "LATE, 3, 1, 0.25", "EARLY, 3, 0, 0.4375",
        "EARLY, 3, 2, 0.9375"})
    void byHand(Transition.Curve curve, long length, long frame, double share) {
        assertThat(share(curve, length, frame)).isCloseTo(share, within(1e-12));
    }

    @ParameterizedTest
    @EnumSource
    @DisplayName("each frame is a mixture, and the incoming picture only grows")
    void rises(Transition.Curve curve) {
        for (long length : new long[] {1, 2, 7, 24, 240}) {
            double before = 0;
            for (long k = 0; k < length; k++) {
                assertThat(share(curve, length, k)).isGreaterThan(before).isLessThan(1);
                before = share(curve, length, k);
            }
        }
    }

    @Test
    @DisplayName("played backwards an early one is a late one, an even and an eased one are themselves")
    void mirrored() {
        for (long k = 0; k < 17; k++) {
            assertThat(share(Transition.Curve.EARLY, 17, k)).isCloseTo(1 - share(Transition.Curve.LATE, 17, 16 - k), within(1e-12));
            for (Transition.Curve curve : new Transition.Curve[] {Transition.Curve.EVEN, Transition.Curve.EASED}) {
                assertThat(share(curve, 17, k)).isCloseTo(1 - share(curve, 17, 16 - k), within(1e-12));
            }
        }
    }

    @Test
    @DisplayName("into a clip that is switched off nothing passes: the one before is seen to its end, then black")
    void intoNothing() {
        Clip before = Clip.ofShot(1, 1, FrameRange.of(0, 20), Rational.of(1001));
        Clip off = Clip.ofShot(2, 2, FrameRange.of(20, 40), Rational.of(1001))
                .withTransitions(new Transition(Transition.Kind.DISSOLVE, 4, 4), null).switched(false);
        Master master = new Master(1, "m", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", List.of(before, off))));
        for (long frame = 0; frame < 40; frame++) {
            assertThat(FrameChain.flat().at(master, frame)).as("frame %d", frame).hasSize(frame < 20 ? 1 : 0)
                    .allSatisfy(l -> assertThat(l.weight()).isEqualTo(1));
        }
        assertThat(before.seen(off)).isEqualTo(before.record());
        assertThat(before.seen(off.switched(true)).out()).isEqualTo(24);
    }

    @Test
    void lastsAtLeastOneFrame() {
        assertThatThrownBy(() -> new Transition(Transition.Kind.WIPE, 0, 0)).hasMessageContaining("at least one frame");
        assertThatThrownBy(() -> new Transition(Transition.Kind.WIPE, -1, 4)).isInstanceOf(IllegalArgumentException.class);
    }
}
