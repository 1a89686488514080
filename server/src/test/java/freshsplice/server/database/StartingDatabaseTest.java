package freshsplice.server.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StartingDatabaseTest {
    @TempDir
    private Path folder;

    private final List<String> done = new ArrayList<>();

    @Test
    @DisplayName("one that was stopped before it began does not come up behind whoever stopped it")
    void stoppedBefore() {
        StartingDatabase database = new StartingDatabase(folder.resolve("database"), () -> done.add("up"));
        database.stop();
        database.begin();
        assertThatThrownBy(database::get).hasMessageContaining("stopped before it began");
        assertThat(folder).isEmptyDirectory();
        assertThat(done).isEmpty();
    }

    @Test
    @DisplayName("where it cannot lie, whoever asks for it is told where, and stopping it is no error")
    void cannotLieThere() throws IOException {
        Path file = Files.writeString(folder.resolve("database"), "no folder");
        StartingDatabase database = new StartingDatabase(file, () -> done.add("up"));
        database.begin();
        assertThatThrownBy(database::get).isInstanceOf(UncheckedIOException.class).hasMessageContaining(file.toString());
        assertThatThrownBy(database::connections).hasMessageContaining(file.toString());
        database.stop();
        assertThat(done).isEmpty();
        assertThat(file).hasContent("no folder");
    }
}
