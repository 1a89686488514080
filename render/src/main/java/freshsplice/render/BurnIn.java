package freshsplice.render;

import java.awt.Color;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.HashMap;
import java.util.Map;

/** Letters written into a picture: white on a darkened strip, left and right at the bottom, never scaled. */
public final class BurnIn {
    private static final double DARKENED = 0.45;
    /** One face on every machine, so that a render looks the same wherever it is made; any other where it is missing. */
    private static final String FACE = "DejaVu Sans Mono";

    private final int width;
    private final int height;
    private final int strip;
    private final Font font;
    private final Map<String, BufferedImage> drawn = new HashMap<>();

    /** @param width pixels of the picture; @param height pixels of the picture */
    public BurnIn(int width, int height) {
        this.width = width;
        this.height = height;
        int size = Math.max(9, Math.round(height / 30f));
        this.strip = size * 2;
        this.font = new Font(FACE, Font.PLAIN, size);
    }

    /**
     * Writes into a picture of red, green and blue bytes, rows from the top.
     *
     * @param left  text at the left, such as shot and version
     * @param right text at the right, such as frame and timecode
     */
    public void write(byte[] picture, String left, String right) {
        int top = height - strip;
        for (int i = top * width * 3; i < picture.length; i++) {
            picture[i] = (byte) ((picture[i] & 0xFF) * DARKENED);
        }
        lay(letters(left), picture, strip / 2, top);
        BufferedImage atRight = letters(right);
        lay(atRight, picture, width - strip / 2 - atRight.getWidth(), top);
    }

    private BufferedImage letters(String text) {
        // shot and version stay the same over a render; frames and timecodes come once each
        if (drawn.size() > 64) {
            drawn.clear();
        }
        return drawn.computeIfAbsent(text, this::draw);
    }

    private BufferedImage draw(String text) {
        BufferedImage probe = new BufferedImage(1, 1, BufferedImage.TYPE_BYTE_GRAY);
        FontMetrics metrics = probe.createGraphics().getFontMetrics(font);
        BufferedImage image = new BufferedImage(Math.max(1, Math.min(width, metrics.stringWidth(text))), strip,
                BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setFont(font);
        g.setColor(Color.WHITE);
        g.drawString(text, 0, (strip + metrics.getAscent() - metrics.getDescent()) / 2);
        g.dispose();
        return image;
    }

    private void lay(BufferedImage letters, byte[] picture, int x0, int y0) {
        for (int y = 0; y < letters.getHeight(); y++) {
            for (int x = 0; x < letters.getWidth(); x++) {
                int cover = letters.getRaster().getSample(x, y, 0);
                int at = ((y0 + y) * width + x0 + x) * 3;
                if (cover > 0 && x0 + x >= 0 && x0 + x < width) {
                    for (int c = 0; c < 3; c++) {
                        int under = picture[at + c] & 0xFF;
                        picture[at + c] = (byte) (under + (240 - under) * cover / 255);
                    }
                }
            }
        }
    }
}
