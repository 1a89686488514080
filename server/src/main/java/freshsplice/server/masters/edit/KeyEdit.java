package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.time.Rational;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** Keys of a changing speed. */
public sealed interface KeyEdit extends ClipsEdit {
    /** Puts a key of the speed {@code at} a frame. */
    record Key(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at) implements KeyEdit {
        @Override
        public String words() {
            return "Key the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.key(m, clip, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Key(clips, other);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /** Shows content {@code frames} later at the key {@code at} a frame. */
    record MoveKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                   @NotNull(message = NEEDED) Long frames) implements KeyEdit {
        @Override
        public String words() {
            return "RetimeKey the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.moveKey(m, clip, at, Rational.of(frames)));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new MoveKey(clips, other, frames);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }

        @Override
        public Long movedBy() {
            return frames;
        }
    }

    /** How time goes on from the key {@code at} a frame; null for softly. */
    record EaseKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at,
                   @Schema(nullable = true) RetimeInterpolation easing) implements KeyEdit {
        @Override
        public String words() {
            return "Ease the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.easeKey(m, clip, at, easing == null ? RetimeInterpolation.EASED : easing));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new EaseKey(clips, other, easing);
        }
    }

    /** Takes away the key {@code at} a frame. */
    record RemoveKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long at)
                     implements KeyEdit {
        @Override
        public String words() {
            return "Take a key of the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Retiming.removeKey(m, clip, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new RemoveKey(clips, other);
        }
    }
}
