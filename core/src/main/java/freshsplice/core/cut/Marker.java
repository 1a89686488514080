package freshsplice.core.cut;

import freshsplice.core.time.FrameRange;

/**
 * A remark that the edit room left at frames.
 *
 * @param record  the record frames it stands on
 * @param name    its title
 * @param comment its text; may be empty
 * @param colour  the colour's name as written; may be empty
 */
public record Marker(FrameRange record, String name, String comment, String colour) {
}
