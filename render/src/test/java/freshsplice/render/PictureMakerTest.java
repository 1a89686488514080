package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PictureMakerTest {
    /** over·a + under·(1 − a): the "over" of compositing without alpha (Porter and Duff 1984), in steps of 1/256. */
    @Test
    void layersAreMixedByTheirShare() {
        for (int share = 0; share <= 256; share += 16) {
            byte[] under = {0, (byte) 255, 100, 10};
            byte[] over = {(byte) 255, 0, 100, (byte) 250};
            PictureMaker.mix(under, over, share / 256.0);
            double a = share / 256.0;
            assertThat(under[0] & 0xFF).isBetween((int) (255 * a) - 1, (int) (255 * a) + 1);
            assertThat(under[1] & 0xFF).isBetween((int) (255 * (1 - a)) - 1, (int) (255 * (1 - a)) + 1);
            assertThat(under[2] & 0xFF).isEqualTo(100);
            assertThat(under[3] & 0xFF).isBetween((int) (10 + 240 * a) - 1, (int) (10 + 240 * a) + 1);
        }
    }
}
