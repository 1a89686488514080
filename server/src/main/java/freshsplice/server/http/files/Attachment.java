package freshsplice.server.http.files;

import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** An answer that a browser saves as a file. */
public final class Attachment {
    private Attachment() {
    }

    /** @param name of the file, of letters, digits, dots and lines alone */
    public static <T> ResponseEntity<T> of(String name, T bytes) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"").body(bytes);
    }
}
