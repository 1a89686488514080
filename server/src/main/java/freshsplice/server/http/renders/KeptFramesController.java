package freshsplice.server.http.renders;

import freshsplice.server.renders.FrameRoom;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import java.io.IOException;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Frames that are kept of renders. */
@RestController
class KeptFramesController {
    /** Renders whose frames go. */
    record Letting(@NotEmpty(message = "are needed: choose some first") List<Long> renders) {
    }

    private final FrameRoom frames;

    KeptFramesController(FrameRoom frames) {
        this.frames = frames;
    }

    @GetMapping("/api/projects/{id}/kept-frames")
    List<FrameRoom.FramesOfRender> keptFrames(@PathVariable long id) {
        return frames.of(id);
    }

    /** Lets go of frames; files stay. @return bytes that are free again */
    @PostMapping("/api/projects/{id}/kept-frames/let-go")
    long letGoFrames(@PathVariable long id, @Valid @RequestBody Letting letting) throws IOException {
        return frames.letGo(id, letting.renders());
    }
}
