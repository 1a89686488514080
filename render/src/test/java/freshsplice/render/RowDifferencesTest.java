package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RowDifferencesTest {
    private static byte[] differences(byte[] bytes, int row) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        RowDifferences.write(bytes, row, out);
        return out.toByteArray();
    }

    @Test
    void eachByteIsWhatItDiffersFromTheOneAboveIt() throws IOException {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            int row = 1 + random.nextInt(40);
            byte[] bytes = new byte[row * (1 + random.nextInt(seed == 0 ? 9000 : 9))];
            random.nextBytes(bytes);
            byte[] differences = differences(bytes, row);
            for (int i = 0; i < bytes.length; i++) {
                assertThat(differences[i]).isEqualTo((byte) (i < row ? bytes[i] : bytes[i] - bytes[i - row]));
            }
            RowDifferences.undo(differences, row);
            assertThat(differences).as("rows of %d", row).isEqualTo(bytes);
        }
    }

    @Test
    void bordersOfABytesRangeCarryNothingToTheNext() throws IOException {
        byte[] above = {0, -1, -128, 127, 0, -1, -128, 127};
        byte[] below = {-1, 0, 127, -128, -128, -128, -1, 0};
        byte[] both = new byte[16];
        System.arraycopy(above, 0, both, 0, 8);
        System.arraycopy(below, 0, both, 8, 8);
        byte[] differences = differences(both, 8);
        assertThat(Arrays.copyOfRange(differences, 8, 16)).containsExactly(-1, 1, -1, 1, -128, -127, 127, -127);
        RowDifferences.undo(differences, 8);
        assertThat(differences).isEqualTo(both);
    }
}
