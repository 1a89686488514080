package freshsplice.render;

import freshsplice.core.render.BurnIn;
import freshsplice.core.render.FrameOrder;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Letters written into pictures: white on a darkened strip, at the top or the bottom, never scaled. */
public final class Letters {
    private static final double DARKENED = 0.45;
    private static final double INK = 240 / 255.0;
    /** Texts that are kept drawn: shot and version stay the same over a render; frames and timecodes come once each. */
    private static final int KEPT = 64;
    /** One face on every machine, so that a render looks the same wherever it is made; any other where it is missing. */
    private static final String FACE = "DejaVu Sans Mono";

    private final int width;
    private final int height;
    private final int strip;
    private final Font font;
    private final Map<String, BufferedImage> drawn = new HashMap<>();

    /** @param width pixels of the pictures */
    public Letters(int width, int height) {
        this.width = width;
        this.height = height;
        int size = Math.max(9, Math.round(height / 30f));
        this.strip = size * 2;
        this.font = new Font(FACE, Font.PLAIN, size);
    }

    public void write(Pixels picture, List<FrameOrder.Line> lines) {
        if (lines.stream().anyMatch(l -> l.corner().isTop())) {
            picture.tint(0, 0, width, strip, 0, 1 - DARKENED);
        }
        if (lines.stream().anyMatch(l -> !l.corner().isTop())) {
            picture.tint(0, height - strip, width, strip, 0, 1 - DARKENED);
        }
        for (FrameOrder.Line line : lines) {
            BufferedImage letters = letters(line.text());
            lay(letters, picture, left(line.corner(), letters.getWidth()), line.corner().isTop() ? 0 : height - strip);
        }
    }

    private int left(BurnIn.Corner corner, int wide) {
        return switch (corner) {
            case TOP_LEFT, BOTTOM_LEFT -> strip / 2;
            case TOP, BOTTOM -> (width - wide) / 2;
            case TOP_RIGHT, BOTTOM_RIGHT -> width - strip / 2 - wide;
        };
    }

    private BufferedImage letters(String text) {
        if (drawn.size() > KEPT) {
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

    private void lay(BufferedImage letters, Pixels picture, int left, int top) {
        for (int y = 0; y < letters.getHeight(); y++) {
            for (int x = 0; x < letters.getWidth(); x++) {
                int cover = letters.getRaster().getSample(x, y, 0);
                if (cover > 0 && left + x >= 0 && left + x < width) {
                    picture.tint((top + y) * width + left + x, INK, cover / 255.0);
                }
            }
        }
    }
}
