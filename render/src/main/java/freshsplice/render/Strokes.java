package freshsplice.render;

import freshsplice.core.render.Aid;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/** Draws lines of aids onto pictures: white that what lies below shines through. */
final class Strokes {
    private static final double STRENGTH = 0.45;
    /** Thickness as a share of the picture's height. */
    private static final float THICK = 1f / 720;

    private final int width;
    private final int height;
    private List<Aid> drawn = List.of();
    private List<Point> points = List.of();

    /** @param pixel counted along the rows; @param share that a line covers of it */
    private record Point(int pixel, double share) {
    }

    Strokes(int width, int height) {
        this.width = width;
        this.height = height;
    }

    void draw(Pixels picture, List<Aid> aids) {
        if (aids.isEmpty()) {
            return;
        }
        if (!aids.equals(drawn)) {
            drawn = aids;
            points = points(mask(aids));
        }
        points.forEach(p -> picture.tint(p.pixel(), 1, STRENGTH * p.share()));
    }

    private List<Point> points(BufferedImage mask) {
        List<Point> covered = new ArrayList<>();
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int cover = mask.getRaster().getSample(x, y, 0);
                if (cover > 0) {
                    covered.add(new Point(y * width + x, cover / 255.0));
                }
            }
        }
        return covered;
    }

    private BufferedImage mask(List<Aid> aids) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(Color.WHITE);
        g.setStroke(new BasicStroke(Math.max(1, height * THICK)));
        for (Aid aid : aids) {
            aid.strokes().forEach(s -> g.draw(new Line2D.Double(s.fromX() * width, s.fromY() * height, s.toX() * width, s.toY() * height)));
        }
        g.dispose();
        return image;
    }
}
