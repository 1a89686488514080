package freshsplice.server.rows;

import freshsplice.core.board.BoardFit;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** The reference picture of a shot; without media it is a named slate. */
@Entity
@DynamicUpdate
@Table(name = "board")
public class BoardRow extends AliveRow {
    public long shotId;
    public String sourceName;
    /** What its source is known by. */
    public String sourceKey;
    public Long mediaId;
    /** Source frame at which the source begins as far as its cut tells; null for boards of before it was kept. */
    public Long sourceBegins;
    /** Whether the cut told that; else it is the lowest frame that was shown of it. */
    public boolean beginsTold;
    public boolean filled;
    public double scale = 1;
    public double shiftRight;
    public double shiftUp;
    public double cropLeft;
    public double cropRight;
    public double cropTop;
    public double cropBottom;

    /** How it lies over the delivery frame. */
    public BoardFit fit() {
        return new BoardFit(filled, scale, shiftRight, shiftUp, new BoardFit.Crop(cropLeft, cropRight, cropTop, cropBottom));
    }

    public void lie(BoardFit fit) {
        filled = fit.filled();
        scale = fit.scale();
        shiftRight = fit.right();
        shiftUp = fit.up();
        cropLeft = fit.crop().left();
        cropRight = fit.crop().right();
        cropTop = fit.crop().top();
        cropBottom = fit.crop().bottom();
    }
}
