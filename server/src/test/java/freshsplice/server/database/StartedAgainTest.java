package freshsplice.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StartedAgainTest {
    private static final long PAUSE_MS = 20;
    /** Long enough for many more tries than five. */
    private static final long IN_THE_WAY_MS = 1500;

    @TempDir
    private Path folder;

    @Test
    @DisplayName("a database that ends by itself is started again however often that fails, as soon as nothing is in its way")
    void oftenNot() throws Exception {
        try (OwnDatabase database = OwnDatabase.start(folder.resolve("database"), PAUSE_MS)) {
            Path real = folder.resolve("database").toRealPath();
            Path temporary = real.resolveSibling("database-tmp");
            assertThat(answers(database)).isTrue();
            clear(temporary);
            Files.writeString(temporary, "where its temporary tables were to be");
            OwnDatabase.serverOf(real).orElseThrow().destroyForcibly();
            Thread.sleep(IN_THE_WAY_MS);
            assertThat(answers(database)).as("while something is in its way").isFalse();
            Files.delete(temporary);
            for (int i = 0; i < 300 && !answers(database); i++) {
                Thread.sleep(100);
            }
            assertThat(answers(database)).isTrue();
        }
    }

    private static void clear(Path temporary) throws IOException {
        try (var files = Files.walk(temporary)) {
            for (Path file : files.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }

    private static boolean answers(OwnDatabase database) {
        try (Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password())) {
            return connection.isValid(1);
        } catch (SQLException e) {
            return false;
        }
    }
}
