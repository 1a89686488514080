package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.time.Rational;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** What a clip shows, and where it begins and ends. */
public sealed interface TrimEdit extends ClipsEdit {
    /** Moves the head by {@code frames}, or to a frame {@code at}. */
    record Head(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Long at,
                @Schema(nullable = true) Long frames, @Schema(nullable = true) Boolean ripple,
                @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                implements TrimEdit, Moving, HowFar {
        @Override
        public String words() {
            return "Trim the head of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Trims.head(m, clip, at != null ? at - clip.in(m).record().in() : frames,
                    Following.of(Boolean.TRUE.equals(ripple))));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Head(clips, other, frames, ripple, along, soundStays);
        }

        @Override
        public Long movedBy() {
            return frames;
        }
    }

    /** Moves the tail by {@code frames}, or to end {@code at} a frame. */
    record Tail(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Long at,
                @Schema(nullable = true) Long frames, @Schema(nullable = true) Boolean ripple,
                @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                implements TrimEdit, Moving, HowFar {
        @Override
        public String words() {
            return "Trim the tail of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Trims.tail(m, clip, at != null ? at - clip.in(m).record().out() : frames,
                    Following.of(Boolean.TRUE.equals(ripple))));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Tail(clips, other, frames, ripple, along, soundStays);
        }

        @Override
        public Long movedBy() {
            return frames;
        }
    }

    /** Shows content {@code frames} later in the same place. */
    record Slip(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long frames,
                @Schema(nullable = true) Boolean soundStays) implements TrimEdit {
        @Override
        public String words() {
            return "Slip";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Trims.slip(m, clip, Rational.of(frames)));
        }

        @Override
        public Long movedBy() {
            return frames;
        }
    }

    /** Moves the clip by {@code frames} between its neighbours. */
    record Slide(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long frames,
                 @Schema(nullable = true) Boolean soundStays) implements TrimEdit {
        @Override
        public String words() {
            return "Slide";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Trims.slide(m, clip, frames));
        }

        @Override
        public Long movedBy() {
            return frames;
        }
    }
}
