package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Pace;
import freshsplice.core.master.edit.Retiming;
import freshsplice.core.time.Rational;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** Keys of a changing speed. */
public sealed interface KeyEdit extends PiecesEdit {
    /** Puts a key of the speed {@code at} a frame. */
    record Key(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at) implements KeyEdit {
        @Override
        public String words() {
            return "Key the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Retiming.key(m, piece, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new Key(sections, other);
        }

        @Override
        public boolean changesSpeed() {
            return true;
        }
    }

    /** Shows content {@code frames} later at the key {@code at} a frame. */
    record MoveKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at,
                   @NotNull(message = NEEDED) Long frames) implements KeyEdit {
        @Override
        public String words() {
            return "Bend the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Retiming.moveKey(m, piece, at, Rational.of(frames)));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new MoveKey(sections, other, frames);
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
    record EaseKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at,
                   @Schema(nullable = true) Pace easing) implements KeyEdit {
        @Override
        public String words() {
            return "Ease the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Retiming.easeKey(m, piece, at, easing == null ? Pace.EASED : easing));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new EaseKey(sections, other, easing);
        }
    }

    /** Takes away the key {@code at} a frame. */
    record RemoveKey(@NotEmpty(message = CHOOSE) List<@NotNull Long> sections, @NotNull(message = NEEDED) Long at)
                     implements KeyEdit {
        @Override
        public String words() {
            return "Take a key of the speed of";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, piece) -> Retiming.removeKey(m, piece, at));
        }

        @Override
        public MasterEdit onClock(long other) {
            return new RemoveKey(sections, other);
        }
    }
}
