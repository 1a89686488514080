package freshsplice.render;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/** A board with words on it: light letters in the middle of a dark picture, broken into lines. */
public final class Slate {
    private static final Color GROUND = new Color(0x22, 0x22, 0x22);
    private static final Color INK = new Color(0xed, 0xed, 0xed);

    private Slate() {
    }

    /** @return red, green and blue bytes, rows from the top */
    public static byte[] draw(String words, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setColor(GROUND);
        g.fillRect(0, 0, width, height);
        g.setFont(new Font("DejaVu Sans", Font.PLAIN, Math.max(10, height / 14)));
        FontMetrics metrics = g.getFontMetrics();
        List<String> lines = lines(words, metrics, width * 8 / 10);
        int y = (height - lines.size() * metrics.getHeight()) / 2 + metrics.getAscent();
        g.setColor(INK);
        for (String line : lines) {
            g.drawString(line, (width - metrics.stringWidth(line)) / 2, y);
            y += metrics.getHeight();
        }
        g.dispose();
        return bytes(image);
    }

    private static List<String> lines(String words, FontMetrics metrics, int room) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : words.split("\\s+")) {
            if (line.length() > 0 && metrics.stringWidth(line + " " + word) > room) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.length() > 0 ? " " : "").append(word);
        }
        lines.add(line.toString());
        return lines;
    }

    private static byte[] bytes(BufferedImage image) {
        byte[] bytes = new byte[image.getWidth() * image.getHeight() * 3];
        int at = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int rgb = image.getRGB(x, y);
                bytes[at++] = (byte) (rgb >> 16);
                bytes[at++] = (byte) (rgb >> 8);
                bytes[at++] = (byte) rgb;
            }
        }
        return bytes;
    }
}
