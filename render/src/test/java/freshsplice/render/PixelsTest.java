package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PixelsTest {
    private static Pixels of(boolean alpha, boolean deep, int value) {
        Pixels pixels = new Pixels(4, 2, alpha, deep);
        byte[] rgb = new byte[4 * 2 * 3];
        java.util.Arrays.fill(rgb, (byte) value);
        pixels.takeOver(rgb);
        return pixels;
    }

    private static double value(Pixels pixels, int pixel) {
        int at = pixel * pixels.bytesAPixel();
        return pixels.deep() ? ((pixels.bytes()[at] & 0xFF) << 8 | pixels.bytes()[at + 1] & 0xFF) / 257.0 : pixels.bytes()[at] & 0xFF;
    }

    /** over·a + under·(1 − a): the "over" of compositing without alpha (Porter and Duff 1984). */
    @ParameterizedTest
    @CsvSource({"false, false", "false, true", "true, false", "true, true"})
    void layersAreMixedByTheirShare(boolean alpha, boolean deep) {
        for (int share = 0; share <= 16; share++) {
            double a = share / 16.0;
            for (int[] pair : List.of(new int[] {0, 255}, new int[] {255, 0}, new int[] {100, 100}, new int[] {10, 250})) {
                Pixels under = of(alpha, deep, pair[0]);
                under.lay(of(alpha, deep, pair[1]), a);
                assertThat(value(under, 5)).isBetween(pair[0] + (pair[1] - pair[0]) * a - 1.01, pair[0] + (pair[1] - pair[0]) * a + 1.01);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"false, false", "true, true"})
    void aPartIsSeenWhereItLiesAndNowhereElse(boolean alpha, boolean deep) {
        Pixels under = of(alpha, deep, 40);
        byte[] board = new byte[3 * 3 * 3];
        for (int i = 0; i < board.length; i++) {
            board[i] = (byte) (100 + i / 3 * 10);
        }
        // three by three, its left column and its lowest row outside the picture, its right column cropped
        under.layPart(board, new Pixels.Box(-1, 0, 3, 3), new Pixels.Box(-1, 0, 2, 3), 1);
        assertThat(value(under, 0)).isEqualTo(110);
        assertThat(value(under, 4)).isEqualTo(140);
        assertThat(value(under, 1)).as("cropped").isEqualTo(40);
        under.layPart(board, new Pixels.Box(1, 0, 3, 3), new Pixels.Box(1, 0, 3, 3), 0.5);
        assertThat(value(under, 1)).isBetween(69.0, 71.0);
    }

    @Test
    void sixteenBitsAreRoundedToEight() {
        Pixels deep = new Pixels(256, 256, false, true);
        for (int v = 0; v < 65_536; v++) {
            deep.bytes()[v * 6] = (byte) (v >> 8);
            deep.bytes()[v * 6 + 1] = (byte) v;
        }
        Pixels shallow = deep.shallow();
        assertThat(shallow.deep()).isFalse();
        for (int v = 0; v < 65_536; v++) {
            assertThat(shallow.bytes()[v * 3] & 0xFF).isEqualTo((int) Math.round(v / 257.0));
        }
        assertThat(shallow.shallow()).isSameAs(shallow);
    }
}
