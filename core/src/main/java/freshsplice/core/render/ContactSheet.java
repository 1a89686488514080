package freshsplice.core.render;

import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A sheet of pictures: columns of equal width that fill the page, rows as high as the pictures' shape and captions ask. Lengths are
 * pixels of the page.
 *
 * @param width      of the page
 * @param height     of the page
 * @param margin     around all
 * @param columns    how many; 0 for as few as hold all on one page, so that they are as large as can be; of several pages as few as
 *                   hold a dozen each
 * @param gap        between pictures, both ways
 * @param corner     radius of the pictures' corners
 * @param caption    height of the words below each; 0 for none
 * @param background colour as #rrggbb
 */
public record ContactSheet(int width, int height, int margin, int columns, int gap, int corner, int caption, String background) {
    /** Larger pages are posters: those are made of several. */
    public static final int LARGEST = 8192;
    private static final int SMALLEST = 200;
    private static final int MOST_COLUMNS = 40;
    /** Pages of a long sheet have at least so many pictures. */
    private static final int FEW = 12;
    /** No picture is narrower. */
    private static final int NARROWEST = 24;

    /** @throws Refusal naming what cannot be */
    public ContactSheet {
        if (width < SMALLEST || height < SMALLEST || width > LARGEST || height > LARGEST) {
            throw new Refusal("A sheet has " + SMALLEST + " to " + LARGEST + " pixels a side, not " + width + " x " + height);
        }
        if (columns < 0 || columns > MOST_COLUMNS) {
            throw new Refusal("A sheet has 1 to " + MOST_COLUMNS + " columns, not " + columns);
        }
        if (margin < 0 || gap < 0 || corner < 0 || caption < 0) {
            throw new Refusal("Margins, gaps, corners and captions of a sheet are not below 0");
        }
        if (!background.matches("#[0-9a-fA-F]{6}")) {
            throw new Refusal("A colour is written as #rrggbb, and not " + background);
        }
    }

    /** Where a picture lies on its page, without its caption. @param page from 0 */
    public record Cell(int page, double left, double top, double width, double height) {
    }

    /**
     * How pictures lie.
     *
     * @param columns how many there are
     * @param rows    how many fit on a page
     * @param pages   how many it takes
     * @param needed  height that a page would need to hold all pictures in so many columns
     */
    public record Layout(int columns, int rows, int pages, double needed, List<Cell> cells) {
        public int onPage() {
            return columns * rows;
        }

        /** How many fit, in a sentence. @param height of the page */
        public String words(int height) {
            String across = columns + (columns == 1 ? " column" : " columns");
            return pages == 1 ? cells.size() + (cells.size() == 1 ? " picture in " : " pictures in ") + across + ": " + onPage() + " fit on a page"
                    : across + (columns == 1 ? " needs " : " need ") + Math.round(needed) + " pixels for " + cells.size() + " pictures, the page has " + height
                    + ": " + onPage() + " fit, so there are " + pages + " pages";
        }
    }

    /**
     * @param pictures how many
     * @param aspect   width over height of each
     * @throws Refusal if not even one fits
     */
    public Layout layout(int pictures, double aspect) {
        if (pictures < 1) {
            throw new Refusal("A sheet has at least one picture: choose shots");
        }
        int across = columns > 0 ? columns : automatic(pictures, aspect);
        int rows = rows(across, aspect);
        if (rows < 1 || pictureWidth(across) < NARROWEST) {
            throw new Refusal("No picture fits in " + across + (across == 1 ? " column" : " columns") + ": make the page larger, or the margins smaller");
        }
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < pictures; i++) {
            int onPage = i % (across * rows);
            double wide = pictureWidth(across);
            cells.add(new Cell(i / (across * rows), margin + onPage % across * (wide + gap), margin + onPage / across * (rowHeight(across, aspect) + gap),
                    wide, wide / aspect));
        }
        return new Layout(across, rows, (pictures + across * rows - 1) / (across * rows), needed(across, pictures, aspect), cells);
    }

    private int automatic(int pictures, double aspect) {
        int best = 0;
        for (int across = 1; across <= MOST_COLUMNS && pictureWidth(across) >= NARROWEST; across++) {
            int onPage = across * rows(across, aspect);
            if (onPage >= pictures) {
                return across;
            }
            // a page with a few large pictures is turned sooner than one of stamps
            best = best == 0 && onPage >= FEW ? across : best;
        }
        return Math.max(1, best);
    }

    private double pictureWidth(int across) {
        return (width - 2.0 * margin - (across - 1.0) * gap) / across;
    }

    private double rowHeight(int across, double aspect) {
        return pictureWidth(across) / aspect + caption;
    }

    /** How many rows fit on a page. */
    private int rows(int across, double aspect) {
        double high = rowHeight(across, aspect);
        return pictureWidth(across) <= 0 ? 0 : (int) Math.floor((height - 2.0 * margin + gap + 1e-6) / (high + gap));
    }

    private double needed(int across, int pictures, double aspect) {
        int rows = (pictures + across - 1) / across;
        return 2.0 * margin + rows * rowHeight(across, aspect) + (rows - 1.0) * gap;
    }
}
