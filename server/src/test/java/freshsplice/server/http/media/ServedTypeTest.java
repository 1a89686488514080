package freshsplice.server.http.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Types come from the first bytes: RIFF and WAVE (Multimedia Programming Interface 1.0), Ogg (RFC 3533), FLAC (RFC 9639). */
class ServedTypeTest {
    @TempDir
    Path folder;

    private String typeOf(String name, byte[] bytes) throws IOException {
        return ServedType.of(Files.write(folder.resolve(name), bytes)).map(Object::toString).orElse("none");
    }

    private String typeOf(String name, String text) throws IOException {
        return typeOf(name, text.getBytes(StandardCharsets.ISO_8859_1));
    }

    @Test
    void aNameSaysNothing() throws IOException {
        assertThat(typeOf("a.svg", "RIFF\1\2\3\4WAVEfmt ")).isEqualTo("audio/wav");
        assertThat(typeOf("b.wav", "<svg onload=\"alert(1)\">")).isEqualTo("none");
        assertThat(typeOf("c.html", "OggS\0\2")).isEqualTo("audio/ogg");
        assertThat(typeOf("d", "fLaC\0")).isEqualTo("audio/flac");
        assertThat(typeOf("e", "\0\0\0\u0018ftypM4A ")).isEqualTo("audio/mp4");
        assertThat(typeOf("f.mp3", "<script>")).isEqualTo("none");
        assertThat(typeOf("g", new byte[] {(byte) 0xFF, (byte) 0xFB, 0})).isEqualTo("audio/mpeg");
        assertThat(typeOf("h", "")).isEqualTo("none");
    }
}
