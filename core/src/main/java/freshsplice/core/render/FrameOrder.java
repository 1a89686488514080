package freshsplice.core.render;

import freshsplice.core.board.BoardFit;
import java.util.List;

/**
 * All that one frame is drawn from, worked out: whoever draws it knows no camera, no master and no rule of movement, and can be any
 * machine.
 *
 * @param layers from the back to the front, over black
 * @param lines  what is written into it
 * @param aids   that lie over it; null in what earlier versions wrote down
 */
public record FrameOrder(List<Layer> layers, List<Line> lines, List<Aid> aids) {
    public FrameOrder {
        layers = List.copyOf(layers);
        lines = List.copyOf(lines);
        aids = aids == null ? List.of() : List.copyOf(aids);
    }

    /** Without aids. */
    public FrameOrder(List<Layer> layers, List<Line> lines) {
        this(layers, lines, List.of());
    }

    /** @param weight its share where it is laid over what lies below it, 0 to 1 */
    public record Layer(Source source, double weight) {
    }

    /** Where a picture comes from. */
    public sealed interface Source {
        /** A set. @param set its key; @param moments drawn and laid together evenly; one where nothing blurs by moving */
        record OfSet(String set, List<Moment> moments) implements Source {
            public OfSet {
                moments = List.copyOf(moments);
            }
        }

        /** A frame of a movie that is there. @param movie its key; @param frame its last where it has no such */
        record OfMovie(String movie, long frame) implements Source {
        }

        /** A frame of a board. @param board its key; @param crop what of it is cut off; @param place where the rest lies, in shares */
        record OfBoard(String board, long frame, BoardFit.Crop crop, BoardFit.Place place) implements Source {
        }

        /** Words on a plain ground. */
        record OfWords(String text) implements Source {
        }

        record Black() implements Source {
        }
    }

    /**
     * A set as a camera sees it at one moment. Matrices have their columns first.
     *
     * @param view       world to camera
     * @param projection camera to picture
     * @param moved      thing to world of the things that move, a matrix each in their order; those that stand belong to the set
     * @param blur       whether what is out of focus is blurred
     * @param focus      metres to what is in focus, along the line of sight
     * @param farCircle  diameter of a point without end away, as a share of the picture's width
     */
    public record Moment(float[] view, float[] projection, float[] moved, boolean blur, float focus, float farCircle) {
    }

    /** Something written. */
    public record Line(BurnIn.Corner corner, String text) {
    }
}
