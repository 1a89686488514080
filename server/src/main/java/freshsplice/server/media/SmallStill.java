package freshsplice.server.media;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;

/**
 * Makes smaller JPEGs of the usual stills without a process each: Java reads PNG and JPEG of eight bits itself, every second
 * or third pixel only where the picture is much larger than what is wanted. Everything else is left to ffmpeg.
 */
final class SmallStill {
    private static final Set<String> KINDS = Set.of("png", "jpeg");
    private static final float QUALITY = 0.85f;
    private static final int EXIF_SOUGHT_IN = 65_536;
    private static final int DEEPEST = 8;

    private SmallStill() {
    }

    /**
     * The picture, at most so many pixels wide.
     *
     * @return null where it is not one that is read here
     */
    static BufferedImage read(Path file, int width) throws IOException {
        if (isTurned(file)) {
            return null;
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = in == null ? null : ImageIO.getImageReaders(in);
            if (readers == null || !readers.hasNext()) {
                return null;
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if (!KINDS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))
                        || reader.getRawImageType(0) == null
                        || reader.getRawImageType(0).getBitsPerBand(0) > DEEPEST) {
                    return null;
                }
                ImageReadParam param = reader.getDefaultReadParam();
                int step = Math.max(1, reader.getWidth(0) / (2 * width));
                param.setSourceSubsampling(step, step, 0, 0);
                return scaled(reader.read(0, param), width);
            } catch (IOException | RuntimeException e) {
                // a kind that Java's readers do not know, or a damaged one: ffmpeg has the last word
                return null;
            } finally {
                reader.dispose();
            }
        }
    }

    /** Cameras note how a picture is to be turned; Java's readers do not look at that. */
    private static boolean isTurned(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return new String(in.readNBytes(EXIF_SOUGHT_IN), StandardCharsets.ISO_8859_1).contains("Exif\0\0");
        }
    }

    /** By halves first, so that thin lines of ink do not break up. */
    static BufferedImage scaled(BufferedImage picture, int width) {
        BufferedImage at = picture;
        int wanted = Math.min(width, at.getWidth());
        while (at.getWidth() > 2 * wanted) {
            at = drawn(at, at.getWidth() / 2);
        }
        return at == picture && at.getWidth() == wanted && at.getType() == BufferedImage.TYPE_INT_RGB ? at
                : drawn(at, wanted);
    }

    private static BufferedImage drawn(BufferedImage picture, int width) {
        int height = Math.max(2, (int) Math.round(picture.getHeight() * (double) width / picture.getWidth()) & ~1);
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(picture, 0, 0, width, height, null);
        g.dispose();
        return small;
    }

    static void write(BufferedImage picture, Path file) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(QUALITY);
            writer.setOutput(out);
            writer.write(null, new IIOImage(picture, null, null), param);
        } finally {
            writer.dispose();
        }
    }
}
