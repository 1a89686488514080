package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.LaneEdits;
import freshsplice.core.master.edit.LiveCamera;
import freshsplice.core.master.edit.Nesting;
import freshsplice.core.master.edit.Place;
import freshsplice.core.shot.Shot;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** What pieces show, and on which lane or in which master they lie. */
public sealed interface ContentEdit extends PiecesEdit {
    /** Shows another {@code piece} in the place of one. */
    record Replace(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) @Valid NewPiece piece,
                   @Schema(nullable = true) Boolean soundStays) implements ContentEdit {
        @Override
        public String words() {
            return "Replace";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            Section shown = around.piece(piece);
            return each(master, (m, place) -> Arranging.replace(m, place, shown.content(), shown.from()));
        }
    }

    /** From a frame {@code at} on the camera of {@code shotId} is live. */
    record CutTo(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at,
                 @NotNull(message = NEEDED) Long shotId, @Schema(nullable = true) Boolean soundStays)
                 implements ContentEdit {
        @Override
        public String words() {
            return "Cut to another camera in";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> cut(m, piece, around));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new CutTo(sections, other, shotId, soundStays);
        }

        private Master cut(Master master, Place piece, Surroundings around) {
            Shot to = around.shot(shotId);
            Shot from = around.shot(piece.in(master).shotId());
            if (to == null || from == null) {
                throw new Refused(to == null ? "That shot is not there any more: choose another"
                        : "The piece at record frame " + at + " shows no shot, so no camera of its action can be live there");
            }
            return LiveCamera.cutTo(master, piece, at, from, to);
        }
    }

    /** Makes each piece show a shot of its own, with a copy of its camera's work at the same action frames. */
    record Fork(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                implements ContentEdit {
        @Override
        public String words() {
            return "Fork";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, around::forked);
        }
    }

    /** Puts copies of pieces on the next lane above that is free there. */
    record CopyUp(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                  implements ContentEdit {
        @Override
        public String words() {
            return "Try on a lane above:";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, LaneEdits::copyUp);
        }
    }

    /** Lays pieces of lanes above onto the main lane, over what is there. */
    record LayDown(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                   implements ContentEdit {
        @Override
        public String words() {
            return "Lay down";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return LaneEdits.layDown(master, places(master));
        }
    }

    /** Makes a master of its own, called {@code text}, of pieces that follow each other. */
    record Nest(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) String text)
                implements ContentEdit {
        @Override
        public String words() {
            return "Nest";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return around.nest(master, places(master), text);
        }

        /** The pieces are the same in another master: nothing is to settle. */
        @Override
        public Master settled(Master before, Master after) {
            return after;
        }
    }

    /** Lays what a nested master shows into this one. */
    record Open(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                implements ContentEdit {
        @Override
        public String words() {
            return "Lay out";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Nesting.open(m, piece, around.nested()));
        }
    }
}
