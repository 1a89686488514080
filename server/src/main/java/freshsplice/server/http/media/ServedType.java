package freshsplice.server.http.media;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.http.MediaType;

/**
 * What a file of sound is served as, by its first bytes and never by its name: a page in a sound's clothes stays a file to be
 * saved.
 */
public final class ServedType {
    private static final int HEAD = 16;

    private ServedType() {
    }

    /** The type of a container that windows play; empty for anything else. */
    public static Optional<MediaType> of(Path file) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(HEAD);
        }
        String text = new String(head, StandardCharsets.ISO_8859_1);
        boolean mpeg = head.length > 1 && (head[0] & 0xFF) == 0xFF && (head[1] & 0xE0) == 0xE0;
        String type = text.startsWith("RIFF") && text.startsWith("WAVE", 8) ? "audio/wav"
                : text.startsWith("OggS") ? "audio/ogg"
                : text.startsWith("fLaC") ? "audio/flac"
                : text.startsWith("FORM") && text.startsWith("AIF", 8) ? "audio/aiff"
                : text.startsWith("ftyp", 4) ? "audio/mp4"
                : text.startsWith("ID3") || mpeg ? "audio/mpeg" : null;
        return Optional.ofNullable(type).map(MediaType::valueOf);
    }
}
