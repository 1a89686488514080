package freshsplice.server.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SmallStillTest {
    @TempDir
    Path folder;

    private Path picture(int width, int height, int type, String format) throws IOException {
        BufferedImage image = new BufferedImage(width, height, type);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.BLUE);
        g.fillRect(0, 0, width / 2, height);
        g.setColor(Color.RED);
        g.fillRect(width / 2, 0, width - width / 2, height);
        g.dispose();
        Path file = folder.resolve(width + "x" + height + "." + format);
        ImageIO.write(image, format, file.toFile());
        return file;
    }

    @Test
    void usualStillsBecomeSmallerAndKeepTheirShapeAndColours() throws IOException {
        for (String format : new String[] {"png", "jpeg"}) {
            BufferedImage small = SmallStill.read(picture(4000, 2250, BufferedImage.TYPE_INT_RGB, format), 960);
            assertThat(small.getWidth()).isEqualTo(960);
            assertThat(small.getHeight()).isEqualTo(540);
            assertThat(new Color(small.getRGB(100, 100)).getBlue()).isGreaterThan(200);
            assertThat(new Color(small.getRGB(860, 100)).getRed()).isGreaterThan(200);
        }
        BufferedImage narrow = SmallStill.read(picture(100, 60, BufferedImage.TYPE_INT_RGB, "png"), 960);
        assertThat(narrow.getWidth()).as("nothing is made larger").isEqualTo(100);
    }

    @Test
    void whatJavaMayReadOtherwiseIsLeftToFfmpeg() throws IOException {
        assertThat(SmallStill.read(picture(64, 36, BufferedImage.TYPE_USHORT_GRAY, "png"), 240)).as("16 bits").isNull();
        byte[] jpeg = Files.readAllBytes(picture(64, 36, BufferedImage.TYPE_INT_RGB, "jpeg"));
        byte[] turned = new byte[jpeg.length + 10];
        System.arraycopy(jpeg, 0, turned, 0, 2);
        System.arraycopy(new byte[] {(byte) 0xFF, (byte) 0xE1, 0, 8, 'E', 'x', 'i', 'f', 0, 0}, 0, turned, 2, 10);
        System.arraycopy(jpeg, 2, turned, 12, jpeg.length - 2);
        assertThat(SmallStill.read(Files.write(folder.resolve("turned.jpg"), turned), 240)).as("may be turned").isNull();
        assertThat(SmallStill.read(Files.write(folder.resolve("noise.png"), new byte[300]), 240)).isNull();
    }
}
