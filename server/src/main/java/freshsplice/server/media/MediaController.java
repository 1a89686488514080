package freshsplice.server.media;

import freshsplice.server.store.MediaRow;
import freshsplice.server.store.Store;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.MediaTypeFactory;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Pictures and sound for the window. They never change under their address, so they may be kept. */
@RestController
@RequestMapping("/api/media/{id}")
class MediaController {
    private final Store store;
    private final MediaStore media;
    private final Proxies proxies;

    MediaController(Store store, MediaStore media, Proxies proxies) {
        this.store = store;
        this.media = media;
        this.proxies = proxies;
    }

    @GetMapping("/picture")
    ResponseEntity<Resource> picture(@PathVariable long id, @RequestParam(defaultValue = "0") long frame,
                                     @RequestParam(defaultValue = "960") int width) throws IOException {
        int wanted = width <= Proxies.SMALL ? Proxies.SMALL : width <= Proxies.MIDDLE ? Proxies.MIDDLE : Proxies.LARGE;
        return kept(proxies.picture(store.get(MediaRow.class, id), frame, wanted), MediaType.IMAGE_JPEG);
    }

    @GetMapping("/peaks")
    ResponseEntity<Resource> peaks(@PathVariable long id) throws IOException {
        return kept(proxies.peaks(store.get(MediaRow.class, id)), MediaType.APPLICATION_OCTET_STREAM);
    }

    @GetMapping("/sound")
    ResponseEntity<Resource> sound(@PathVariable long id) {
        MediaRow row = store.get(MediaRow.class, id);
        return kept(media.file(row), MediaTypeFactory.getMediaType(media.file(row).toString()).orElse(MediaType.APPLICATION_OCTET_STREAM));
    }

    private static ResponseEntity<Resource> kept(Path file, MediaType type) {
        return ResponseEntity.ok().contentType(type).cacheControl(CacheControl.maxAge(Duration.ofDays(7)).cachePrivate())
                .body(new FileSystemResource(file));
    }
}
