package freshsplice.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class LookedAtTest {
    private static double[] at(double height, double pan, double tilt) {
        return LookedAt.onGround(CameraPose.standing(new CameraPose.Place(3, height, 5, pan, tilt, 0), 35, 6).placed(), 6);
    }

    @Test
    void aViewThatLooksDownMeetsTheGroundWhereItsAimDoes() {
        // 45° down from 2 m: 2 m ahead; turned to the left by 90° ahead is -x
        assertThat(at(2, 0, -45)).containsExactly(new double[] {3, 0, 3}, within(1e-9));
        assertThat(at(2, 90, -45)).containsExactly(new double[] {1, 0, 5}, within(1e-9));
    }

    @Test
    void aLevelViewPutsItUnderItsFocus() {
        assertThat(at(1.6, 0, 0)).containsExactly(new double[] {3, 0, -1}, within(1e-9));
        assertThat(at(1.6, 0, 30)[2]).isCloseTo(5 - 6 * Math.cos(Math.toRadians(30)), within(1e-9));
    }
}
