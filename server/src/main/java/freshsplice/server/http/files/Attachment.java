package freshsplice.server.http.files;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Answers that are files with a name of their own, in letters of any script (RFC 6266). */
public final class Attachment {
    private Attachment() {
    }

    /** One that a browser saves. */
    public static <T> ResponseEntity<T> of(String name, T bytes) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION, named(ContentDisposition.attachment(), name)).body(bytes);
    }

    /** One that a browser shows, and saves under a name. */
    public static <T> ResponseEntity<T> shown(String name, MediaType type, T bytes) {
        return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION, named(ContentDisposition.inline(), name)).body(bytes);
    }

    private static String named(ContentDisposition.Builder how, String name) {
        boolean plain = StandardCharsets.US_ASCII.newEncoder().canEncode(name);
        return (plain ? how.filename(name) : how.filename(name, StandardCharsets.UTF_8)).build().toString();
    }
}
