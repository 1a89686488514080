package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.time.FrameRate;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BoardPartTest {
    @TempDir
    Path folder;

    /** What is seen lies in it, where the whole would have it to half a pixel, and little else is read. */
    @RepeatedTest(50)
    void whatIsSeen(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        int width = 300 + random.nextInt(2000);
        int height = 200 + random.nextInt(1500);
        Pixels.Box all = new Pixels.Box(-random.nextInt(20_000), -random.nextInt(9000), 30_000 + random.nextInt(9000), 18_000 + random.nextInt(3000));
        Pixels.Box seen = new Pixels.Box(random.nextInt(500), random.nextInt(400), 1 + random.nextInt(3000), 1 + random.nextInt(1500));
        BoardPart part = BoardPart.of(width, height, all, seen);
        assertThat(part.at().left()).isLessThanOrEqualTo(Math.max(seen.left(), all.left()));
        assertThat(part.at().left() + part.at().wide()).isGreaterThanOrEqualTo(Math.min(seen.left() + seen.wide(), all.left() + all.wide()));
        assertThat(part.at().left()).isEqualTo(all.left() + (int) Math.round(part.left() * (all.wide() / (double) width)));
        double pixel = all.wide() / (double) width;
        assertThat(part.at().wide()).isLessThan((int) (seen.wide() + 5 * pixel));
        assertThat(part.left() + part.wide()).isLessThanOrEqualTo(width);
        assertThat(part.top() + part.high()).isLessThanOrEqualTo(height);
    }

    /** A board of 400 x 225 cropped to a tenth fills 3840 x 2160: the whole would have 2.5 billion bytes. */
    @Test
    void aTenthAtFourThousandPixels() throws Exception {
        BufferedImage board = new BufferedImage(400, 226, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 226; y++) {
            for (int x = 0; x < 400; x++) {
                board.setRGB(x, y, x >= 180 && x < 220 && y >= 100 && y < 123 ? 0x00FF00 : 0xFF0000);
            }
        }
        Path file = folder.resolve("board.png");
        ImageIO.write(board, "png", file.toFile());
        Pixels.Box all = new Pixels.Box(-17_280, -9600, 38_400, 21_696);
        Pixels.Box seen = new Pixels.Box(0, 0, 3840, 2160);
        assertThat(BoardPart.isNeeded(new Pixels.Box(0, 0, 3840, 2160), 3840 * 2160)).isFalse();
        assertThat(BoardPart.isNeeded(all, 3840 * 2160)).isTrue();
        BoardPart part = BoardPart.of(file, all, seen);
        try (MovieReader reader = new MovieReader(file, part, FrameRate.FPS_24)) {
            byte[] rgb = reader.frame(0);
            assertThat(rgb).hasSize(part.at().wide() * part.at().high() * 3);
            assertThat(green(rgb, part, 1920, 1000)).isTrue();
            assertThat(green(rgb, part, 100, 1000)).isTrue();
            assertThat(green(rgb, part, 3740, 1000)).isTrue();
            assertThat(green(rgb, part, -90, 1000)).as("left of the crop").isFalse();
        }
    }

    private static boolean green(byte[] rgb, BoardPart part, int x, int y) {
        int at = ((y - part.at().top()) * part.at().wide() + x - part.at().left()) * 3;
        return (rgb[at + 1] & 0xFF) > 200 && (rgb[at] & 0xFF) < 60;
    }
}
