package freshsplice.server.http.media;

import freshsplice.server.media.Proxies;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
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
    private final Proxies proxies;

    MediaController(Store store, Proxies proxies) {
        this.store = store;
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
    ResponseEntity<Resource> sound(@PathVariable long id) throws IOException {
        MediaRow row = store.get(MediaRow.class, id);
        Path file = proxies.there(row);
        boolean heard = row.kind == MediaRow.Kind.SOUND || row.kind == MediaRow.Kind.MOVIE;
        Optional<MediaType> type = heard ? ServedType.of(file) : Optional.empty();
        return type.isPresent() ? kept(file, type.get()) : ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment").header("X-Content-Type-Options", "nosniff")
                .body(new FileSystemResource(file));
    }

    private static ResponseEntity<Resource> kept(Path file, MediaType type) {
        return ResponseEntity.ok().contentType(type).header("X-Content-Type-Options", "nosniff").cacheControl(CacheControl.maxAge(Duration.ofDays(7)).cachePrivate())
                .body(new FileSystemResource(file));
    }
}
