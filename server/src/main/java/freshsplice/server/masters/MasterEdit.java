package freshsplice.server.masters;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * One edit of a master.
 *
 * @param kind     what is done; the other fields are needed where the kind says so
 * @param sections ids of the pieces it is done to
 * @param at       record frame
 * @param frames   frames later (+) or earlier (−), or how many
 * @param ripple   what comes after is pushed along
 * @param speed    content frames for each record frame, a fraction; negative backwards
 * @param shotId   the shot to cut to
 */
public record MasterEdit(Kind kind, List<Long> sections, @Schema(nullable = true) Long at,
                         @Schema(nullable = true) Long frames, @Schema(nullable = true) Boolean ripple,
                         @Schema(nullable = true) String speed, @Schema(nullable = true) Long shotId) {
    /** What can be done. */
    public enum Kind {
        /** Moves the seam {@code at} a frame by {@code frames}; where two pieces meet, one grows as the other shrinks. */
        ROLL("Move seam"),
        /** Moves the head by {@code frames}, or to a frame {@code at}. */
        HEAD("Trim the head of"),
        /** Moves the tail by {@code frames}, or to end {@code at} a frame. */
        TAIL("Trim the tail of"),
        /** Shows content {@code frames} later in the same place. */
        SLIP("Slip"),
        /** Moves the piece by {@code frames} between its neighbours. */
        SLIDE("Slide"),
        /** Cuts the piece in two {@code at} a frame. */
        SPLIT("Split"),
        /** Makes the piece and the one after it one. */
        JOIN("Join"),
        /** Takes pieces away and leaves black. */
        LIFT("Lift"),
        /** Takes pieces away and closes up. */
        TAKE_OUT("Take out"),
        /** Puts a copy after the piece. */
        DUPLICATE("Duplicate"),
        /** The piece and the one after it change places. */
        SWAP("Swap"),
        /** Moves the piece in the order, {@code at} a frame. */
        MOVE("Move"),
        /** Switches pieces off, or on again. */
        SWITCH("Switch"),
        /** Stretches or squeezes the piece to end {@code at} a frame, or to so many {@code frames}. */
        FILL("Stretch"),
        /** Stretches the piece up to the next one. */
        FILL_GAP("Stretch to the next piece"),
        /** Gives the piece a {@code speed}. */
        SPEED("Change the speed of"),
        /** The same frames the other way round. */
        REVERSE("Reverse"),
        /** Holds the frame that is seen {@code at} a frame. */
        HOLD("Hold a frame of"),
        /** A dissolve of {@code frames} into the piece, half before the cut; from black where nothing meets it. */
        DISSOLVE("Dissolve into"),
        /** A fade of {@code frames} to black at the end. */
        FADE_OUT("Fade out"),
        /** From a frame {@code at} on the camera of {@code shotId} is live. */
        CUT_TO("Cut to another camera in"),
        /** A new shot of {@code frames} {@code at} a frame, with a camera and a number of its own. */
        NEW_SHOT("Put a new shot in");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }
}
