package freshsplice.render;

import freshsplice.core.render.ContactSheet;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.TexturePaint;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;

/** A page of a contact sheet, filled picture by picture. */
public final class SheetPainter implements AutoCloseable {
    /** One face on every machine; any other where it is missing. */
    private static final String FACE = "DejaVu Sans";
    /** Letters are so high, as a share of their strip. */
    private static final double LETTERS = 0.55;
    private static final double LIGHT = 0.5;

    private final ContactSheet sheet;
    private final BufferedImage page;
    private final Graphics2D pen;

    public SheetPainter(ContactSheet sheet) {
        this.sheet = sheet;
        this.page = new BufferedImage(sheet.width(), sheet.height(), BufferedImage.TYPE_3BYTE_BGR);
        this.pen = page.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        pen.setColor(Color.decode(sheet.background()));
        pen.fill(new Rectangle(sheet.width(), sheet.height()));
    }

    /** @param caption the words below it; those that do not fit are cut off */
    public void picture(ContactSheet.Cell cell, BufferedImage picture, String caption) {
        Rectangle2D place = new Rectangle2D.Double(cell.left(), cell.top(), cell.width(), cell.height());
        pen.setPaint(new TexturePaint(picture, place));
        double round = 2.0 * sheet.corner();
        pen.fill(new RoundRectangle2D.Double(cell.left(), cell.top(), cell.width(), cell.height(), round, round));
        if (sheet.caption() > 0 && !caption.isEmpty()) {
            write(cell, caption);
        }
    }

    private void write(ContactSheet.Cell cell, String caption) {
        pen.setColor(ink(Color.decode(sheet.background())));
        pen.setFont(new Font(FACE, Font.PLAIN, Math.max(6, (int) Math.round(sheet.caption() * LETTERS))));
        FontMetrics metrics = pen.getFontMetrics();
        String words = caption;
        while (words.length() > 1 && metrics.stringWidth(words) > cell.width()) {
            words = words.substring(0, words.length() - 2) + "…";
        }
        pen.drawString(words, (float) cell.left(), (float) (cell.top() + cell.height() + (sheet.caption() + metrics.getAscent() - metrics.getDescent()) / 2.0));
    }

    /** Dark on light, light on dark. */
    private static Color ink(Color ground) {
        double light = (0.2126 * ground.getRed() + 0.7152 * ground.getGreen() + 0.0722 * ground.getBlue()) / 255;
        return light > LIGHT ? new Color(0x20, 0x20, 0x20) : new Color(0xe4, 0xe4, 0xe4);
    }

    public BufferedImage page() {
        return page;
    }

    @Override
    public void close() {
        pen.dispose();
    }
}
