package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Place;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** Which pieces there are, and in which order. */
public sealed interface OrderEdit extends PiecesEdit {
    /** Cuts the piece in two {@code at} a frame. */
    record Split(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at,
                 @Schema(nullable = true) Boolean soundStays) implements OrderEdit {
        @Override
        public String words() {
            return "Split";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Arranging.split(m, piece, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Split(sections, other, soundStays);
        }
    }

    /** Makes the piece and the one after it one. */
    record Join(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                implements OrderEdit {
        @Override
        public String words() {
            return "Join";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, Arranging::join);
        }
    }

    /** Takes pieces away and leaves black. */
    record Lift(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                implements OrderEdit {
        @Override
        public String words() {
            return "Lift";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return Arranging.lift(master, places(master));
        }
    }

    /** Takes pieces away and closes up. */
    record TakeOut(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Along along,
                   @Schema(nullable = true) Boolean soundStays) implements OrderEdit, Moving {
        @Override
        public String words() {
            return "Take out";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return Arranging.takeOut(master, places(master));
        }
    }

    /** Puts a copy after the piece. */
    record Duplicate(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Along along,
                     @Schema(nullable = true) Boolean soundStays) implements OrderEdit, Moving {
        @Override
        public String words() {
            return "Duplicate";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, Arranging::duplicate);
        }
    }

    /** The piece and the one after it change places. */
    record Swap(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                implements OrderEdit {
        @Override
        public String words() {
            return "Swap";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, Arranging::swap);
        }
    }

    /** Moves the piece in the order, {@code at} a frame. */
    record Move(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at,
                @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                implements OrderEdit, Moving {
        @Override
        public String words() {
            return "Move";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Arranging.move(m, piece, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Move(sections, other, along, soundStays);
        }
    }

    /** Switches pieces off where one is on, else on. */
    record Switch(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @Schema(nullable = true) Boolean soundStays)
                  implements OrderEdit {
        @Override
        public String words() {
            return "Switch";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            List<Place> places = places(master);
            boolean anyOn = places.stream().anyMatch(p -> p.in(master).enabled());
            Master edited = master;
            for (Place place : places) {
                edited = Arranging.enable(edited, place, !anyOn);
            }
            return edited;
        }
    }
}
