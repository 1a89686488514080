package freshsplice.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OpticsTest {
    /** Horizontal angles on 36 x 24 mm, as textbook tables of 35 mm photography give them. */
    @ParameterizedTest
    @CsvSource({"28,65.5", "35,54.4", "50,39.6", "85,23.9", "200,10.3"})
    void agreesWithTheTablesOf35mmPhotography(double lens, double degrees) {
        assertThat(Optics.angleOfView(FilmBack.FULL_FRAME.widthMm(), lens)).isCloseTo(degrees, within(0.05));
        assertThat(Optics.lensFor(36, Optics.angleOfView(36, lens))).isCloseTo(lens, within(1e-9));
    }

    /** f/8, 50 mm, c 0.03: H = 10.47 m, from the formula f²/(N·c) + f. */
    @Test
    void hyperfocalOf50mmAtF8() {
        assertThat(Optics.hyperfocal(50, 8, 0.03)).isCloseTo(10.47, within(0.005));
    }

    /** Focused at the hyperfocal distance all from its half to infinity is sharp (textbook rule). */
    @Test
    void atTheHyperfocalDistanceSharpnessReachesFromHalfOfItToInfinity() {
        double h = Optics.hyperfocal(35, 4, 0.025);
        assertThat(Optics.far(35, 4, 0.025, h)).isInfinite();
        assertThat(Optics.near(35, 4, 0.025, h)).isCloseTo(h / 2, within(0.02));
        assertThat(Optics.far(35, 4, 0.025, h / 3)).isGreaterThan(h / 3).isFinite();
    }

    /**
     * At both limits a point is a disc as large as the largest circle that looks sharp. The disc of a thin lens is f²/(N·(s − f)) ·
     * |d − s|/d (textbook geometry of similar triangles, not the formula of the limits).
     */
    @ParameterizedTest
    @CsvSource({"24,2.8,1.2", "35,4,3", "50,8,3", "85,2,2.5", "100,5.6,12"})
    void atBothLimitsAPointIsAsLargeAsTheCircleOfConfusion(double lens, double stop, double focus) {
        for (double circle : new double[] {0.025, 0.030}) {
            double near = Optics.near(lens, stop, circle, focus);
            double far = Optics.far(lens, stop, circle, focus);
            assertThat(disc(lens, stop, focus, near)).isCloseTo(circle, within(1e-9));
            assertThat(disc(lens, stop, focus, far)).isCloseTo(circle, within(1e-9));
            assertThat(Optics.circle(lens, stop, focus, near)).isCloseTo(circle, within(1e-9));
            assertThat(Optics.circle(lens, stop, focus, far)).isCloseTo(circle, within(1e-9));
            assertThat(near).isLessThan(focus);
            assertThat(far).isGreaterThan(focus);
        }
    }

    /** Millimetres on the film back. */
    private static double disc(double lensMm, double stop, double focusM, double pointM) {
        double focusMm = focusM * 1000;
        return lensMm * lensMm / (stop * (focusMm - lensMm)) * Math.abs(pointM - focusM) / pointM;
    }

    @Test
    void circlesOfConfusionOfTheKnownBacks() {
        assertThat(FilmBack.FULL_FRAME.circleOfConfusionMm()).isCloseTo(0.030, within(1e-9));
        assertThat(FilmBack.SUPER_35.circleOfConfusionMm()).isCloseTo(0.025, within(1e-9));
    }

    /** A point at the edge of the angle of view lands on the edge of the picture. */
    @Test
    void theProjectionSeesTheAngleOfView() {
        CameraPose pose = CameraPose.standing(new CameraPose.Place(0, 0, 0, 0, 0, 0), 35, 5);
        double half = Math.toRadians(Optics.angleOfView(24.89, 35) / 2);
        double[] seen = pose.projection(FilmBack.SUPER_35, 16 / 9.0).times(pose.view())
                .apply(10 * Math.tan(half), 10 * Math.tan(half) / (16 / 9.0), -10);
        assertThat(seen[0]).isCloseTo(1, within(1e-9));
        assertThat(seen[1]).isCloseTo(1, within(1e-9));
    }

    @Test
    void panTurnsLeftAndTiltLooksUp() {
        CameraPose left = CameraPose.standing(new CameraPose.Place(0, 0, 0, 90, 0, 0), 35, 5);
        assertThat(left.view().apply(-3, 0, 0)[2]).isCloseTo(-3, within(1e-9));
        CameraPose up = CameraPose.standing(new CameraPose.Place(0, 0, 0, 0, 90, 0), 35, 5);
        assertThat(up.view().apply(0, 3, 0)[2]).isCloseTo(-3, within(1e-9));
    }

    @Test
    void aPoseComesBackFromItsPlaceInTheWorld() {
        CameraPose pose = CameraPose.standing(new CameraPose.Place(3, 2, -7, 130, -25, 12), 50, 4);
        CameraPose.Place again = CameraPose.place(CameraPose.checked(pose.placed().toDoubles()));
        assertThat(again.pan()).isCloseTo(130, within(1e-9));
        assertThat(again.tilt()).isCloseTo(-25, within(1e-9));
        assertThat(again.roll()).isCloseTo(12, within(1e-9));
        assertThat(again.z()).isEqualTo(-7);
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> CameraPose.checked(new double[3])))
                .hasMessageContaining("16 numbers");
    }
}
