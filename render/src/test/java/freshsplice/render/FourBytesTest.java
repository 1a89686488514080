package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FourBytesTest {
    private static final int PIXELS = 12;
    private static final byte UNTOUCHED = 77;

    @ParameterizedTest
    @CsvSource({"0, 12", "0, 1", "3, 4", "5, 9", "11, 12"})
    @DisplayName("red, green and blue of each pixel are taken, and nothing before or behind them is touched")
    void threeOfEach(int from, int to) {
        byte[] points = new byte[PIXELS * 4];
        new Random(7).nextBytes(points);
        byte[] picture = new byte[PIXELS * 3];
        Arrays.fill(picture, UNTOUCHED);
        FourBytes.threeOfEach(points, picture, from, to);
        for (int i = 0; i < PIXELS * 3; i++) {
            int pixel = i / 3;
            byte wanted = pixel >= from && pixel < to ? points[pixel * 4 + i % 3] : UNTOUCHED;
            assertThat(picture[i]).as("byte %d of pixel %d", i % 3, pixel).isEqualTo(wanted);
        }
    }
}
