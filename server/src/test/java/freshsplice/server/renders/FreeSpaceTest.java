package freshsplice.server.renders;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

class FreeSpaceTest {
    @Test
    void aDiskThatCannotBeAskedRefusesNothing() {
        assertThat(FreeSpace.at(Path.of("target"))).isPresent();
        assertThat(FreeSpace.at(Path.of("target", "there-is-no-such-folder"))).isEmpty();
    }

    @Test
    void aFullDiskIsKnownByItsRoomInAnyLanguage() {
        IOException german = new IOException("Auf dem Gerät ist kein Speicherplatz mehr verfügbar");
        OptionalLong roomy = OptionalLong.of(50_000_000_000L);
        assertThat(RenderFailures.isFull(german, List.of(roomy, OptionalLong.of(3_999_999)))).isTrue();
        assertThat(RenderFailures.isFull(german, List.of(roomy, OptionalLong.of(4_000_000)))).isFalse();
        assertThat(RenderFailures.isFull(german, List.of(OptionalLong.empty()))).isFalse();
        assertThat(RenderFailures.isFull(new IOException("frame 7: No space left on device"), List.of(roomy))).as("a disk that was full a moment ago").isTrue();
        assertThat(RenderFailures.isFull(new IOException((String) null), List.of(roomy))).isFalse();
    }
}
