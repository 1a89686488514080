package freshsplice.render;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import javax.imageio.ImageIO;

/**
 * A picture in memory: red, green and blue of each pixel, and how much it covers where it has that too; sRGB, rows from the top. With 16
 * bits each value is two bytes, the higher first.
 */
public final class Pixels {
    private final int width;
    private final int height;
    private final int channels;
    private final boolean deep;
    private final byte[] bytes;

    /** @param alpha whether it says how much each pixel covers; @param deep 16 bits, else 8 */
    public Pixels(int width, int height, boolean alpha, boolean deep) {
        this.width = width;
        this.height = height;
        this.channels = alpha ? 4 : 3;
        this.deep = deep;
        this.bytes = new byte[width * height * channels * (deep ? 2 : 1)];
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public boolean alpha() {
        return channels == 4;
    }

    public boolean deep() {
        return deep;
    }

    /** All of it; what is written into it is seen. */
    public byte[] bytes() {
        return bytes;
    }

    int rowBytes() {
        return width * bytesAPixel();
    }

    int bytesAPixel() {
        return channels * (deep ? 2 : 1);
    }

    /** Whether a picture of the same size has the same values in the same places. */
    boolean isLike(Pixels other) {
        return width == other.width && height == other.height && channels == other.channels && deep == other.deep;
    }

    /** The same with 8 bits of each colour, rounded; itself where it has no more. */
    public Pixels shallow() {
        if (!deep) {
            return this;
        }
        Pixels shallow = new Pixels(width, height, alpha(), false);
        for (int i = 0; i < shallow.bytes.length; i++) {
            int value = (bytes[2 * i] & 0xFF) << 8 | bytes[2 * i + 1] & 0xFF;
            shallow.bytes[i] = (byte) ((value + 128) / 257);
        }
        return shallow;
    }

    /** As a file. @param format as libraries of pictures call it: png, jpg */
    public byte[] encoded(String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image(), format, out);
        return out.toByteArray();
    }

    /** The same for libraries of pictures: eight bits of red, green and blue. */
    public BufferedImage image() {
        int size = deep ? 2 : 1;
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        int[] row = new int[width];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = (y * width + x) * bytesAPixel();
                row[x] = (bytes[at] & 0xFF) << 16 | (bytes[at + size] & 0xFF) << 8 | bytes[at + 2 * size] & 0xFF;
            }
            image.setRGB(0, y, width, 1, row, 0, width);
        }
        return image;
    }

    void black() {
        Arrays.fill(bytes, (byte) 0);
        if (channels == 4) {
            for (int i = 0; i < width * height; i++) {
                set(i, 3, 0xFFFF);
            }
        }
    }

    /** @param value 0 to 65535 */
    private void set(int pixel, int channel, int value) {
        if (deep) {
            int at = (pixel * channels + channel) * 2;
            bytes[at] = (byte) (value >> 8);
            bytes[at + 1] = (byte) value;
        } else {
            bytes[pixel * channels + channel] = (byte) (value >> 8);
        }
    }

    private int value(int index) {
        return deep ? (bytes[index * 2] & 0xFF) << 8 | bytes[index * 2 + 1] & 0xFF : bytes[index] & 0xFF;
    }

    /** Takes over red, green and blue bytes of a picture of the same size, covering all. */
    void takeOver(byte[] rgb) {
        if (!deep && channels == 3) {
            System.arraycopy(rgb, 0, bytes, 0, bytes.length);
            return;
        }
        for (int i = 0; i < width * height; i++) {
            for (int c = 0; c < 3; c++) {
                set(i, c, (rgb[i * 3 + c] & 0xFF) * 257);
            }
            if (channels == 4) {
                set(i, 3, 0xFFFF);
            }
        }
    }

    /** Lays a picture like this one over it. @param weight its share, 0 to 1 */
    void lay(Pixels over, double weight) {
        if (weight >= 1 && channels == 3) {
            System.arraycopy(over.bytes, 0, bytes, 0, bytes.length);
            return;
        }
        long share = Math.round(weight * 65_536);
        for (int i = 0; i < width * height * channels; i++) {
            int under = value(i);
            put(i, under + (int) ((over.value(i) - under) * share / 65_536));
        }
    }

    private void put(int index, int value) {
        if (deep) {
            bytes[index * 2] = (byte) (value >> 8);
            bytes[index * 2 + 1] = (byte) value;
        } else {
            bytes[index] = (byte) value;
        }
    }

    /** A rectangle of pixels. */
    record Box(int left, int top, int wide, int high) {
        boolean contains(int x, int y) {
            return x >= left && y >= top && x < left + wide && y < top + high;
        }

        /** What of it lies in a picture of a size. */
        Box within(int width, int height) {
            int l = Math.max(0, left);
            int t = Math.max(0, top);
            return new Box(l, t, Math.max(0, Math.min(width, left + wide) - l), Math.max(0, Math.min(height, top + high) - t));
        }

        boolean isEmpty() {
            return wide == 0 || high == 0;
        }
    }

    /**
     * Lays red, green and blue bytes of another size somewhere over it.
     *
     * @param at     where all of them would lie
     * @param inside what of that is seen
     * @param weight its share, 0 to 1
     */
    void layPart(byte[] rgb, Box at, Box inside, double weight) {
        for (int y = Math.max(0, inside.top); y < Math.min(height, inside.top + inside.high); y++) {
            for (int x = Math.max(0, inside.left); x < Math.min(width, inside.left + inside.wide); x++) {
                if (at.contains(x, y)) {
                    mixPixel(y * width + x, rgb, (y - at.top) * at.wide + x - at.left, weight);
                }
            }
        }
    }

    private void mixPixel(int pixel, byte[] rgb, int from, double weight) {
        int most = deep ? 65_535 : 255;
        for (int c = 0; c < channels; c++) {
            int over = c == 3 ? most : (rgb[from * 3 + c] & 0xFF) * (deep ? 257 : 1);
            int under = value(pixel * channels + c);
            put(pixel * channels + c, under + (int) Math.round((over - under) * weight));
        }
    }

    /** Darkens a rectangle, or lightens it towards white. @param to 0 for black, 1 for white; @param share 0 to 1 */
    void tint(int left, int top, int wide, int high, double to, double share) {
        for (int y = Math.max(0, top); y < Math.min(height, top + high); y++) {
            for (int x = Math.max(0, left); x < Math.min(width, left + wide); x++) {
                tint(y * width + x, to, share);
            }
        }
    }

    /** The same for one pixel. */
    void tint(int pixel, double to, double share) {
        int most = deep ? 65_535 : 255;
        for (int c = 0; c < 3; c++) {
            int index = pixel * channels + c;
            int under = value(index);
            put(index, under + (int) ((to * most - under) * share));
        }
        if (channels == 4) {
            int index = pixel * 4 + 3;
            put(index, Math.max(value(index), (int) (most * share)));
        }
    }
}
