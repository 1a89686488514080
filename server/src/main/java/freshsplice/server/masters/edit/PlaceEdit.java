package freshsplice.server.masters.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Pasting;
import freshsplice.core.master.edit.SeamEdits;
import freshsplice.core.time.FrameRange;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;

/** What lies at a place of a track. */
public sealed interface PlaceEdit extends MasterEdit {
    /** Moves the seam {@code at} a frame by {@code frames}; where two clips meet, one grows as the other shrinks. */
    record Roll(@NotNull(message = NEEDED) Long at, @NotNull(message = NEEDED) Long frames,
                @Schema(nullable = true) Long track, @Schema(nullable = true) Boolean soundStays) implements PlaceEdit {
        @Override
        public String words() {
            return "Move seam";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return SeamEdits.move(master, PlaceEdit.index(master, track), at, frames);
        }

        @Override
        public Long movedBy() {
            return frames;
        }

        /** On the main track. */
        public static Roll of(long at, long frames) {
            return new Roll(at, frames, null, null);
        }
    }

    /** Puts a new {@code clip} on a {@code track} {@code at} a frame: in between where it ripples, else over. */
    record Put(@NotNull(message = NEEDED) Long at, @NotNull(message = NEEDED) @Valid NewClip clip,
               @Schema(nullable = true) Long track, @Schema(nullable = true) Boolean ripple,
               @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
               implements PlaceEdit, Moving {
        @Override
        public String words() {
            return "Put in";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            int on = PlaceEdit.index(master, track);
            Clip made = around.clip(clip);
            return Boolean.TRUE.equals(ripple) ? Arranging.insert(master, on, at, made)
                    : Arranging.overwrite(master, on, made.shiftedBy(at));
        }

        @Override
        public Set<Integer> tracks(Master master) {
            return Set.of(PlaceEdit.index(master, track));
        }
    }

    /** Puts copies of clips, of this or another master, on a {@code track} {@code at} a frame. */
    record Paste(@NotEmpty(message = COPY_AGAIN)
                 @Size(max = 5000, message = "At most 5000 clips are pasted at once") List<@NotNull Long> clips,
                 @NotNull(message = NEEDED) Long at,
                 @Schema(nullable = true) Long track, @Schema(nullable = true) Boolean ripple,
                 @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                 implements PlaceEdit, Moving {
        @Override
        public String words() {
            return "Paste";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            Surroundings.CopiedClips copied = around.copied(clips);
            return Pasting.put(master, PlaceEdit.index(master, track), at, copied.clips(), copied.rate(), Boolean.TRUE.equals(ripple));
        }

        @Override
        public Set<Integer> tracks(Master master) {
            return Set.of(PlaceEdit.index(master, track));
        }
    }

    /** Takes {@code frames} {@code at} a frame out of a {@code track}, closed up where it ripples. */
    record Clear(@NotNull(message = NEEDED) Long at,
                 @NotNull(message = NEEDED) @Positive(message = "A range has at least one frame: set its in before its out") Long frames,
                 @Schema(nullable = true) Long track, @Schema(nullable = true) Boolean ripple,
                 @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                 implements PlaceEdit, Moving {
        @Override
        public String words() {
            return "Extract a range";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return Arranging.clear(master, PlaceEdit.index(master, track), FrameRange.ofLength(at, frames),
                    Boolean.TRUE.equals(ripple));
        }

        @Override
        public Set<Integer> tracks(Master master) {
            return Set.of(PlaceEdit.index(master, track));
        }
    }

    /** A new shot of {@code frames} {@code at} a frame, with a camera and a number of its own. */
    record NewShot(@NotNull(message = NEEDED) Long at, @NotNull(message = NEEDED) Long frames,
                   @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                   implements PlaceEdit, Moving {
        @Override
        public String words() {
            return "Put a new shot in";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return around.withNewShot(master, at, frames);
        }

        /** Shots are made on the main track. */
        @Override
        public Set<Integer> tracks(Master master) {
            return Set.of(0);
        }
    }

    /** The word for clips that were copied and are gone. */
    String COPY_AGAIN = "What was copied is not there any more: copy again";

    /** @param track id of a track; null for the main one */
    static int index(Master master, Long track) {
        if (track == null) {
            return 0;
        }
        for (int i = 0; i < master.tracks().size(); i++) {
            if (master.tracks().get(i).id() == track) {
                return i;
            }
        }
        throw new Refused("That track is not in the master any more: somebody took it away");
    }
}
