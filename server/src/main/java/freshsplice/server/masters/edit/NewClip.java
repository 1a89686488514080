package freshsplice.server.masters.edit;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;

/**
 * What a new clip shows.
 *
 * @param id     of the shot, render or master
 * @param from   its first frame; null for the first that there is
 * @param frames how many; null for all that there are
 * @param text   what stands on a slate
 */
public record NewClip(@NotNull(message = MasterEdit.NEEDED) Shows shows, @Schema(nullable = true) Long id,
                       @Schema(nullable = true) Long from, @Schema(nullable = true) Long frames,
                       @Schema(nullable = true) String text) {
    public enum Shows { SHOT, RENDER, MASTER, BLACK, SLATE }
}
