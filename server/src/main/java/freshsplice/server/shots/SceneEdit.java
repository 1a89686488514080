package freshsplice.server.shots;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** One edit of a project's scenes. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = SceneEdit.Add.class, name = "ADD"),
    @Type(value = SceneEdit.Rename.class, name = "RENAME"),
    @Type(value = SceneEdit.Remove.class, name = "REMOVE"),
    @Type(value = SceneEdit.MoveShots.class, name = "MOVE_SHOTS"),
})
public sealed interface SceneEdit {
    String NEEDED = "is needed for this edit";
    int LONGEST_CODE = 20;
    int LONGEST_NAME = 200;

    record Add(@NotBlank(message = NEEDED) @Size(max = LONGEST_CODE) String code,
               @NotBlank(message = NEEDED) @Size(max = LONGEST_NAME) String name) implements SceneEdit {
    }

    record Rename(@NotNull(message = NEEDED) Long scene, @NotBlank(message = NEEDED) @Size(max = LONGEST_CODE) String code,
                  @NotBlank(message = NEEDED) @Size(max = LONGEST_NAME) String name) implements SceneEdit {
    }

    /** One that no shot is filmed in. */
    record Remove(@NotNull(message = NEEDED) Long scene) implements SceneEdit {
    }

    /** @param scene null for a new one, named after the first of the shots */
    record MoveShots(@NotEmpty(message = "chooses no shot") @Size(max = 5000) List<@NotNull Long> shots,
                     @Schema(nullable = true) Long scene) implements SceneEdit {
    }
}
