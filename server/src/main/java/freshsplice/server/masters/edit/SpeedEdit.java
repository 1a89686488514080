package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.time.Rational;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** How fast a clip goes. */
public sealed interface SpeedEdit extends ClipsEdit {
    /** Stretches or squeezes the clip to end {@code at} a frame, or to so many {@code frames}. */
    record Fill(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Long at,
                @Schema(nullable = true) Long frames, @Schema(nullable = true) Boolean ripple,
                @Schema(nullable = true) Along along, @Schema(nullable = true) Boolean soundStays)
                implements SpeedEdit, Moving, HowFar {
        @Override
        public String words() {
            return "Stretch";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.fill(m, clip, frames == null ? at
                    : Math.addExact(clip.in(m).record().in(), frames), Following.of(Boolean.TRUE.equals(ripple))));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Fill(clips, other, frames, ripple, along, soundStays);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /** Stretches the clip up to the next one. */
    record FillGap(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                   implements SpeedEdit {
        @Override
        public String words() {
            return "Stretch to the next clip";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, Retiming::fillGap);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /**
     * Gives the clip a {@code speed}.
     *
     * @param speed content frames for each record frame, a fraction; negative backwards
     */
    record Speed(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) String speed,
                 @Schema(nullable = true) Boolean soundStays) implements SpeedEdit {
        @Override
        public String words() {
            return "Change the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.speed(m, clip, Rational.parse(speed)));
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /** The same frames the other way round. */
    record Reverse(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @Schema(nullable = true) Boolean soundStays)
                   implements SpeedEdit {
        @Override
        public String words() {
            return "Reverse";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, Retiming::reverse);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /** Holds the frame that is seen {@code at} a frame. */
    record Hold(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                @Schema(nullable = true) Boolean soundStays) implements SpeedEdit {
        @Override
        public String words() {
            return "Hold a frame of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.hold(m, clip, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Hold(clips, other, soundStays);
        }
    }
}
