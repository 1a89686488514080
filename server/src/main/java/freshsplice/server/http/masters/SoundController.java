package freshsplice.server.http.masters;

import freshsplice.server.masters.SoundEdits;
import freshsplice.server.steps.Asker;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Sound under a master, and its tracks. */
@RestController
@RequestMapping("/api")
class SoundController {
    private final SoundEdits sounds;

    SoundController(SoundEdits sounds) {
        this.sounds = sounds;
    }

    /** How a track of sound is heard. */
    @PostMapping("/masters/{id}/sound-tracks")
    void soundTrack(@PathVariable long id, @Valid @RequestBody SoundEdits.TrackChange change, Asker who) {
        sounds.track(id, change, who);
    }

    /** Where a clip of sound lies, and how loud it is. */
    @PostMapping("/sounds/{id}")
    void sound(@PathVariable long id, @Valid @RequestBody SoundEdits.ClipChange change, Asker who) {
        sounds.clip(id, change, who);
    }

    /** Lays a file of sound under the picture. @return the clip's id */
    @PostMapping("/masters/{id}/sounds")
    long putSound(@PathVariable long id, @Valid @RequestBody SoundEdits.NewSound wanted, Asker who) {
        return sounds.put(id, wanted, who);
    }

    @PostMapping("/sounds/{id}/split")
    void splitSound(@PathVariable long id, @RequestParam long at, Asker who) {
        sounds.split(id, at, who);
    }

    @PostMapping("/sounds/{id}/remove")
    void removeSound(@PathVariable long id, Asker who) {
        sounds.remove(id, who);
    }
}
