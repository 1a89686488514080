package freshsplice.server.http.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.server.renders.Elsewhere;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Pictures that other programs made, as versions of shots. */
@RestController
class ElsewhereController {
    /**
     * Files that came.
     *
     * @param names  of them, as they were given
     * @param shotId the shot that all are of; null where their names say it
     * @param grade  draft when it is null
     * @param cameras the version of ours from whose camera each was made, by the name of the file or run; 0 where nobody knows
     */
    record Came(@NotNull(message = "are needed") List<String> names, @Schema(nullable = true) Long shotId, @Schema(nullable = true) Grade grade,
                @Schema(nullable = true) Map<String, Integer> cameras) {
    }

    private final Elsewhere elsewhere;

    ElsewhereController(Elsewhere elsewhere) {
        this.elsewhere = elsewhere;
    }

    /** What would be made of them: nothing is done yet. */
    @PostMapping("/api/projects/{id}/versions/offers")
    List<Elsewhere.Offer> offers(@PathVariable long id, @Valid @RequestBody Came came) {
        return elsewhere.offers(id, came.names(), came.shotId());
    }

    /** Takes in what can be. */
    @PostMapping("/api/projects/{id}/versions")
    List<Long> takeIn(@PathVariable long id, @Valid @RequestBody Came came, Asker who) {
        return elsewhere.take(id, came.names(), came.shotId(), came.grade() == null ? Grade.DRAFT : came.grade(),
                came.cameras() == null ? Map.of() : came.cameras(), who);
    }
}
