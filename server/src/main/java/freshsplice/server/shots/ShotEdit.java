package freshsplice.server.shots;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.board.BoardFit;
import jakarta.validation.constraints.NotNull;

/** One edit of a shot itself. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = ShotEdit.FitBoard.class, name = "FIT_BOARD"),
    @Type(value = ShotEdit.PlaceOnAction.class, name = "PLACE_ON_ACTION"),
})
public sealed interface ShotEdit {
    String NEEDED = "is needed for this edit";

    /**
     * How its board lies over the delivery frame.
     *
     * @param scale factor; @param right shares of the frame's width; @param up shares of its height
     *
     * @param cropLeft share of the board's width that is left out; as the other three
     * @param all      whether every board of the project with this shape lies so
     */
    record FitBoard(boolean filled, double scale, double right, double up, double cropLeft, double cropRight, double cropTop,
                    double cropBottom, boolean all) implements ShotEdit {
        BoardFit fit() {
            return new BoardFit(filled, scale, right, up, new BoardFit.Crop(cropLeft, cropRight, cropTop, cropBottom));
        }
    }

    /** @param action the frame of the action that the first frame of its cut range shows */
    record PlaceOnAction(@NotNull(message = NEEDED) Long action) implements ShotEdit {
    }
}
