package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.LaneEdits;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** Lanes as a whole. Of one that is named by its id. */
public sealed interface LaneEdit extends MasterEdit {
    /** A new lane on top, called {@code text}. */
    record Add(@Schema(nullable = true) String text) implements LaneEdit {
        @Override
        public String words() {
            return "Add a lane";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return LaneEdits.add(master, text);
        }

        /** It is not there yet. */
        @Override
        public Long lane() {
            return null;
        }
    }

    /** Takes a {@code lane} away. */
    record Remove(@Schema(nullable = true) Long lane) implements LaneEdit {
        @Override
        public String words() {
            return "Remove";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return LaneEdits.remove(master, PlaceEdit.index(master, lane));
        }
    }

    /** Calls a {@code lane} {@code text}. */
    record Rename(@Schema(nullable = true) Long lane, @Schema(nullable = true) String text) implements LaneEdit {
        @Override
        public String words() {
            return "Rename";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return LaneEdits.rename(master, PlaceEdit.index(master, lane), text);
        }
    }

    /** Switches a {@code lane} off, or on again. */
    record Switch(@Schema(nullable = true) Long lane) implements LaneEdit {
        @Override
        public String words() {
            return "Switch off";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            int index = PlaceEdit.index(master, lane);
            return LaneEdits.enable(master, index, !master.lanes().get(index).enabled());
        }
    }

    /** Locks a {@code lane}, or opens it again. */
    record Lock(@Schema(nullable = true) Long lane) implements LaneEdit {
        @Override
        public String words() {
            return "Lock";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            int index = PlaceEdit.index(master, lane);
            return LaneEdits.lock(master, index, !master.lanes().get(index).locked());
        }
    }

    /** Puts a {@code lane} higher (+) or lower (−) by {@code frames} places. */
    record Order(@Schema(nullable = true) Long lane, @NotNull(message = NEEDED) Integer frames) implements LaneEdit {
        @Override
        public String words() {
            return "Put in order:";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return LaneEdits.reorder(master, PlaceEdit.index(master, lane), frames);
        }
    }

    /** Id of the lane; null for the main one, or for one that is not there yet. */
    Long lane();
}
