package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Place;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** Which clips there are, and in which order. */
public sealed interface OrderEdit extends ClipsEdit {
    /** Cuts the clip in two {@code at} a frame. */
    record Split(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                 @Schema(nullable = true) Boolean soundStays) implements OrderEdit {
        @Override
        public String words() {
            return "Split";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Arranging.split(m, clip, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Split(clips, other, soundStays);
        }
    }

    /** Makes the clip and the one after it one. */
    record Join(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
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

    /** Takes clips away and leaves black. */
    record Lift(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
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

    /** Takes clips away and closes up. */
    record Extract(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Along along,
                   @Schema(nullable = true) Boolean soundStays) implements OrderEdit, Moving {
        @Override
        public String words() {
            return "Extract";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return Arranging.extract(master, places(master));
        }
    }

    /** Puts a copy after the clip. */
    record Duplicate(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Along along,
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

    /** The clip and the one after it change places. */
    record Swap(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
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

    /** Moves the clip in the order, {@code at} a frame. */
    record Move(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                implements OrderEdit, Moving {
        @Override
        public String words() {
            return "Move";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Arranging.move(m, clip, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Move(clips, other, along, soundStays);
        }
    }

    /** Switches clips off where one is on, else on. */
    record Switch(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
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
