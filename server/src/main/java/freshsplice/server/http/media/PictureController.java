package freshsplice.server.http.media;

import freshsplice.core.time.Rational;
import freshsplice.server.media.Ffmpeg;
import freshsplice.server.pictures.ShotPictures;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Small pictures for the tracks. */
@RestController
class PictureController {
    private final Store store;
    private final ShotPictures shots;
    private final Folders folders;
    private final Ffmpeg ffmpeg;

    PictureController(Store store, ShotPictures shots, Folders folders, Ffmpeg ffmpeg) {
        this.store = store;
        this.shots = shots;
        this.folders = folders;
        this.ffmpeg = ffmpeg;
    }

    /** What a shot's camera sees at a frame; asked with the tag of the last answer, "not changed" where it is the same. */
    @GetMapping("/api/shots/{id}/picture")
    ResponseEntity<Resource> shot(@PathVariable long id, @RequestParam long frame,
                                  @RequestHeader(value = "If-None-Match", required = false) String known)
            throws IOException {
        return small(shots.wanted(id, Rational.of(frame)), known);
    }

    /** What a viewpoint sees at an action frame; asked with a tag as above. */
    @GetMapping("/api/viewpoints/{id}/picture")
    ResponseEntity<Resource> viewpoint(@PathVariable long id, @RequestParam long frame,
                                       @RequestHeader(value = "If-None-Match", required = false) String known)
            throws IOException {
        return small(shots.viewpoint(id, frame), known);
    }

    /** What a camera sees at the first frame of its first shot; asked with a tag as above. */
    @GetMapping("/api/cameras/{id}/picture")
    ResponseEntity<Resource> camera(@PathVariable long id, @RequestHeader(value = "If-None-Match", required = false) String known)
            throws IOException {
        return small(shots.camera(id), known);
    }

    private ResponseEntity<Resource> small(ShotPictures.PictureOrder wanted, String known) throws IOException {
        String tag = "\"" + wanted.digest() + "\"";
        if (tag.equals(known)) {
            return ResponseEntity.status(304).eTag(tag).build();
        }
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG).eTag(tag).cacheControl(CacheControl.noCache())
                .body(new FileSystemResource(shots.picture(wanted)));
    }

    /** A frame of a finished render. */
    @GetMapping("/api/renders/{id}/picture")
    ResponseEntity<Resource> render(@PathVariable long id, @RequestParam long frame) throws IOException {
        RenderRow row = store.get(RenderRow.class, id);
        if (row.file == null) {
            throw new NotThere(row.name + " is not finished, so it has no pictures yet");
        }
        long at = Math.max(0, Math.min(frame, row.frames - 1));
        Path file = folders.proxies().resolve("render_" + row.sha256 + "_" + at + ".jpg");
        if (!Files.exists(file)) {
            double fps = (row.rate == null ? store.get(ProjectRow.class, row.projectId).rate : row.rate).fps().toDouble();
            // half a frame early: what begins before the time asked for is passed over
            ffmpeg.make(List.of("-ss", String.format(Locale.ROOT, "%.6f", Math.max(0, (at - 0.5) / fps)), "-i",
                    folders.renders().resolve(row.file).toString(), "-frames:v", "1", "-vf",
                    "scale=" + ShotPictures.WIDTH + ":-2:flags=area", "-q:v", "3", "-f", "mjpeg"), file, row.name);
        }
        return ResponseEntity.ok().contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(7)).cachePrivate()).body(new FileSystemResource(file));
    }
}
