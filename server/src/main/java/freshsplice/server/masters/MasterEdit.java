package freshsplice.server.masters;

import freshsplice.core.master.Passage;
import freshsplice.core.master.edit.Along;
import freshsplice.core.motion.Easing;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

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
 * @param lane     id of a lane; null for the main one
 * @param text     a name
 * @param curve    how a passage's share rises; null for even steps
 * @param easing   how time goes on from a key of the speed
 * @param piece    what a new piece shows
 * @param along    which lanes move along; null for the usual: with the main lane all, with another that one
 * @param soundStays whether sound stays where it is when its picture moves
 */
public record MasterEdit(Kind kind, List<Long> sections, @Schema(nullable = true) Long at,
                         @Schema(nullable = true) Long frames, @Schema(nullable = true) Boolean ripple,
                         @Schema(nullable = true) String speed, @Schema(nullable = true) Long shotId,
                         @Schema(nullable = true) Long lane, @Schema(nullable = true) String text,
                         @Schema(nullable = true) Passage.Curve curve, @Schema(nullable = true) Easing easing,
                         @Schema(nullable = true) NewPiece piece, @Schema(nullable = true) Along along,
                         @Schema(nullable = true) Boolean soundStays) {
    /** Kinds after which what comes later may move along. */
    private static final Set<Kind> MOVING = EnumSet.of(Kind.HEAD, Kind.TAIL, Kind.TAKE_OUT, Kind.CLEAR, Kind.DUPLICATE, Kind.MOVE,
            Kind.FILL, Kind.NEW_SHOT, Kind.PUT, Kind.PASTE);

    private static final Set<Kind> OF_SPEED = EnumSet.of(Kind.SPEED, Kind.REVERSE, Kind.KEY, Kind.MOVE_KEY, Kind.FILL,
            Kind.FILL_GAP);

    boolean changesSpeed() {
        return OF_SPEED.contains(kind);
    }

    boolean movesOthers() {
        return MOVING.contains(kind);
    }

    /** The same at another record frame. */
    MasterEdit onClock(long other) {
        return new MasterEdit(kind, sections, other, frames, ripple, speed, shotId, lane, text, curve, easing, piece, along,
                soundStays);
    }

    /**
     * What a new piece shows.
     *
     * @param shows  SHOT, RENDER, MASTER, BLACK or SLATE
     * @param id     of the shot, render or master
     * @param from   its first frame; null for the first that there is
     * @param frames how many; null for all that there are
     * @param text   what stands on a slate
     */
    public record NewPiece(String shows, @Schema(nullable = true) Long id, @Schema(nullable = true) Long from,
                           @Schema(nullable = true) Long frames, @Schema(nullable = true) String text) {
    }

    /** Moves the seam at a record frame of the main lane. */
    public static MasterEdit roll(long at, long frames) {
        return new MasterEdit(Kind.ROLL, List.of(), at, frames, false, null, null, null, null, null, null, null, null, null);
    }

    boolean ripples() {
        return Boolean.TRUE.equals(ripple);
    }

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
        /** Takes {@code frames} {@code at} a frame out of a {@code lane}, closed up where it ripples. */
        CLEAR("Take out a range"),
        /** Puts a copy after the piece. */
        DUPLICATE("Duplicate"),
        /** The piece and the one after it change places. */
        SWAP("Swap"),
        /** Moves the piece in the order, {@code at} a frame. */
        MOVE("Move"),
        /** Switches pieces off, or on again. */
        SWITCH("Switch off or on"),
        /** Shows another {@code piece} in the place of one. */
        REPLACE("Replace"),
        /** Puts a new {@code piece} on a {@code lane} {@code at} a frame: in between where it ripples, else over. */
        PUT("Put in"),
        /** Puts copies of pieces, of this or another master, on a {@code lane} {@code at} a frame. */
        PASTE("Paste"),
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
        /** Puts a key of the speed {@code at} a frame. */
        KEY("Key the speed of"),
        /** Shows content {@code frames} later at the key {@code at} a frame. */
        MOVE_KEY("Bend the speed of"),
        /** How time goes on from the key {@code at} a frame: {@code easing}. */
        EASE_KEY("Ease the speed of"),
        /** Takes away the key {@code at} a frame. */
        REMOVE_KEY("Take a key of the speed of"),
        /** A dissolve of {@code frames} into the piece, half before the cut; from black where nothing meets it. */
        DISSOLVE("Dissolve into"),
        /** A fade of {@code frames} to black at the end. */
        FADE_OUT("Fade out"),
        /** From a frame {@code at} on the camera of {@code shotId} is live. */
        CUT_TO("Cut to another camera in"),
        /** A new shot of {@code frames} {@code at} a frame, with a camera and a number of its own. */
        NEW_SHOT("Put a new shot in"),
        /** Puts copies of pieces on the next lane above that is free there. */
        COPY_UP("Try on a lane above:"),
        /** Lays pieces of lanes above onto the main lane, over what is there. */
        LAY_DOWN("Lay down"),
        /** Makes a master of its own, called {@code text}, of pieces that follow each other. */
        NEST("Nest"),
        /** Lays what a nested master shows into this one. */
        OPEN("Lay out"),
        /** A new lane on top, called {@code text}. */
        LANE_ADD("Add a lane"),
        /** Takes a {@code lane} away. */
        LANE_REMOVE("Remove"),
        /** Calls a {@code lane} {@code text}. */
        LANE_RENAME("Rename"),
        /** Switches a {@code lane} off, or on again. */
        LANE_SWITCH("Switch off"),
        /** Locks a {@code lane}, or opens it again. */
        LANE_LOCK("Lock"),
        /** Puts a {@code lane} higher (+) or lower (−) by {@code frames} places. */
        LANE_ORDER("Put in order:");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }
}
