package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.TrackEdits;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/** Tracks as a whole. Of one that is named by its id. */
public sealed interface TrackEdit extends MasterEdit {
    /** A new track on top, called {@code text}. */
    record Add(@Schema(nullable = true) String text) implements TrackEdit {
        @Override
        public String words() {
            return "Add a track";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return TrackEdits.add(master, text);
        }

        /** It is not there yet. */
        @Override
        public Long track() {
            return null;
        }
    }

    /** Takes a {@code track} away. */
    record Remove(@Schema(nullable = true) Long track) implements TrackEdit {
        @Override
        public String words() {
            return "Remove";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return TrackEdits.remove(master, PlaceEdit.index(master, track));
        }
    }

    /** Calls a {@code track} {@code text}. */
    record Rename(@Schema(nullable = true) Long track, @Schema(nullable = true) String text) implements TrackEdit {
        @Override
        public String words() {
            return "Rename";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return TrackEdits.rename(master, PlaceEdit.index(master, track), text);
        }
    }

    /** Switches a {@code track} off, or on again. */
    record Switch(@Schema(nullable = true) Long track) implements TrackEdit {
        @Override
        public String words() {
            return "Switch off";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            int index = PlaceEdit.index(master, track);
            return TrackEdits.enable(master, index, !master.tracks().get(index).enabled());
        }
    }

    /** Locks a {@code track}, or opens it again. */
    record Lock(@Schema(nullable = true) Long track) implements TrackEdit {
        @Override
        public String words() {
            return "Lock";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            int index = PlaceEdit.index(master, track);
            return TrackEdits.lock(master, index, !master.tracks().get(index).locked());
        }
    }

    /** Puts a {@code track} higher (+) or lower (−) by {@code frames} places. */
    record Order(@Schema(nullable = true) Long track, @NotNull(message = NEEDED) Integer frames) implements TrackEdit {
        @Override
        public String words() {
            return "Put in order:";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return TrackEdits.reorder(master, PlaceEdit.index(master, track), frames);
        }
    }

    /** Id of the track; null for the main one, or for one that is not there yet. */
    Long track();
}
