package freshsplice.server.http.stages;

import freshsplice.server.shots.ShotEdit;
import freshsplice.server.shots.ShotEdits;
import freshsplice.server.steps.Asker;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Shots themselves: how their boards lie, where they lie on the action. */
@RestController
@RequestMapping("/api/shots")
class ShotController {
    private final ShotEdits edits;

    ShotController(ShotEdits edits) {
        this.edits = edits;
    }

    /** @return how many shots it changed */
    @PostMapping("/{id}/edits")
    int editShot(@PathVariable long id, @Valid @RequestBody ShotEdit edit, Asker who) {
        return edits.make(id, edit, who);
    }
}
