package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SmoothEdgesTest {
    private static final int STEP = 8;

    /** Four values of each pixel. @param value of all of them at x, y, of 255 */
    private static byte[] drawn(int width, int height, boolean deep, Shade value) {
        int size = deep ? 2 : 1;
        byte[] drawn = new byte[width * height * 4 * size];
        for (int i = 0; i < width * height; i++) {
            Arrays.fill(drawn, i * 4 * size, (i + 1) * 4 * size, (byte) value.at(i % width, i / width));
        }
        return drawn;
    }

    private interface Shade {
        int at(int x, int y);
    }

    private static Pixels smoothed(int width, int height, boolean alpha, boolean deep, byte[] drawn) {
        Pixels pixels = new Pixels(width, height, alpha, deep);
        new SmoothEdges(pixels).smooth(drawn, pixels);
        return pixels;
    }

    @ParameterizedTest
    @CsvSource({"false, false", "true, false", "false, true", "true, true"})
    void whereNothingIsAnEdgeNothingIsChanged(boolean alpha, boolean deep) {
        for (int seed = 0; seed < 30; seed++) {
            Random random = new Random(seed);
            int width = 16 + random.nextInt(90);
            int height = 16 + random.nextInt(90);
            byte[] drawn = drawn(width, height, deep, (x, y) -> 100 + random.nextInt(10));
            byte[] bytes = smoothed(width, height, alpha, deep, drawn).bytes();
            int size = deep ? 2 : 1;
            int kept = (alpha ? 4 : 3) * size;
            for (int i = 0; i < width * height; i++) {
                assertThat(Arrays.copyOfRange(bytes, i * kept, (i + 1) * kept)).as("pixel %d of %d x %d", i, width, height)
                        .isEqualTo(Arrays.copyOfRange(drawn, i * 4 * size, i * 4 * size + kept));
            }
        }
    }

    /** White under a line that falls one pixel in eight: what it cuts of each pixel is known. */
    private static int slope(int x, int y) {
        return y >= 20 + x / STEP ? 255 : 0;
    }

    @ParameterizedTest
    @CsvSource({"false, false", "true, false", "false, true", "true, true"})
    void aStepBecomesTheLineThroughItsEnds(boolean alpha, boolean deep) {
        int width = 64;
        int height = 64;
        Pixels smooth = smoothed(width, height, alpha, deep, drawn(width, height, deep, SmoothEdgesTest::slope));
        int size = deep ? 2 : 1;
        int kept = (alpha ? 4 : 3) * size;
        for (int x = STEP * 2; x < STEP * 5; x++) {
            double white = 0;
            for (int y = 1; y < height; y++) {
                white += (smooth.bytes()[(y * width + x) * kept] & 0xFF) / 255.0;
            }
            // the line goes through the middles of the steps' ends
            double line = height - 20 - (x + 0.5) / STEP + 0.5;
            assertThat(white).as("white in column %d", x).isBetween(line - 0.2, line + 0.2);
        }
    }

    @Test
    void lyingAndStandingEdgesAreAlike() {
        Pixels lying = smoothed(64, 64, false, false, drawn(64, 64, false, SmoothEdgesTest::slope));
        Pixels standing = smoothed(64, 64, false, false, drawn(64, 64, false, (x, y) -> slope(y, x)));
        for (int y = 1; y < 63; y++) {
            for (int x = 1; x < 63; x++) {
                if (x % STEP == 0 || x % STEP == STEP - 1) {
                    // at the end of a step both ways are alike, and one has to be taken
                    continue;
                }
                assertThat(standing.bytes()[(x * 64 + y) * 3]).as("%d, %d", x, y).isEqualTo(lying.bytes()[(y * 64 + x) * 3]);
            }
        }
    }

    @Test
    void severalAtOnceDoNotDisturbEachOther() {
        byte[] drawn = drawn(700, 500, false, (x, y) -> (x * 7 + y * 3) / 50 % 2 * 200);
        byte[] first = smoothed(700, 500, false, false, drawn).bytes();
        for (int i = 0; i < 20; i++) {
            assertThat(smoothed(700, 500, false, false, drawn).bytes()).isEqualTo(first);
        }
    }
}
