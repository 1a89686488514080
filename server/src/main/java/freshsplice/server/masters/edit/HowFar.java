package freshsplice.server.masters.edit;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.AssertTrue;

/** An edit that is told how far it goes either by the record frame that it goes to, or by a number of frames. */
interface HowFar {
    Long at();

    Long frames();

    @AssertTrue(message = "This edit needs \"at\" or \"frames\"")
    @Schema(hidden = true)
    default boolean isSaidHowFar() {
        return at() != null || frames() != null;
    }
}
