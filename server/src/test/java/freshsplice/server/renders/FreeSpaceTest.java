package freshsplice.server.renders;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class FreeSpaceTest {
    @Test
    void aDiskThatCannotBeAskedRefusesNothing() {
        assertThat(FreeSpace.at(Path.of("target"))).isPresent();
        assertThat(FreeSpace.at(Path.of("target", "there-is-no-such-folder"))).isEmpty();
    }
}
