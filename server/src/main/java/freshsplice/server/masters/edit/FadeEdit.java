package freshsplice.server.masters.edit;

import freshsplice.core.master.Master;
import freshsplice.core.master.Transition;
import freshsplice.core.master.edit.Fades;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/** Transitions between clips, and from and to black. */
public sealed interface FadeEdit extends ClipsEdit {
    /** A dissolve of {@code frames} into the clip, half before the cut; from black where nothing meets it. */
    record Dissolve(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long frames,
                    @Schema(nullable = true) Transition.Curve curve) implements FadeEdit {
        @Override
        public String words() {
            return "Dissolve into";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Fades.dissolve(m, clip, frames, FadeEdit.curve(curve)));
        }
    }

    /** A fade of {@code frames} to black at the end. */
    record FadeOut(@NotEmpty(message = CHOOSE) List<@NotNull Long> clips, @NotNull(message = NEEDED) Long frames,
                   @Schema(nullable = true) Transition.Curve curve) implements FadeEdit {
        @Override
        public String words() {
            return "Fade out";
        }

        @Override
        public Master on(Master master, Surroundings around) {
            return each(master, (m, clip) -> Fades.toBlack(m, clip, frames, FadeEdit.curve(curve)));
        }
    }

    /** @param chosen null for even steps */
    private static Transition.Curve curve(Transition.Curve chosen) {
        return chosen == null ? Transition.Curve.EVEN : chosen;
    }
}
