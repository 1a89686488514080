package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.database.OwnDatabase;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/**
 * A data folder as the program kept it before its words were changed (migrations 33 and older), made by a week of the drill: it opens, and
 * all that can be seen of it from outside is as it was written down then, backwards in its history too.
 */
@Timeout(400)
class DataOfBeforeTest {
    private static final Path DATA = Path.of("target", "before-" + System.nanoTime()).toAbsolutePath();
    private static OwnProcess program;
    private static Client client;

    @BeforeAll
    static void open() throws IOException, SQLException {
        unzip();
        try (OwnDatabase database = OwnDatabase.start(DATA.resolve("database"));
             Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password());
             Statement statement = connection.createStatement()) {
            for (String sql : Files.readString(DATA.resolve("dump.sql")).split(";\n")) {
                statement.execute(sql);
            }
        }
        program = OwnProcess.server(DATA);
        client = program.client();
    }

    private static void unzip() throws IOException {
        try (InputStream in = DataOfBeforeTest.class.getResourceAsStream("/data-of-before.zip"); ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                Path file = DATA.resolve(entry.getName());
                if (!entry.isDirectory()) {
                    Files.createDirectories(file.getParent());
                    Files.write(file, zip.readAllBytes());
                }
            }
        }
    }

    @AfterAll
    static void end() throws InterruptedException {
        program.close();
    }

    @Test
    @DisplayName("lists, pictures, movements and renders are as they were; all edits can be undone and made again")
    void opens() throws IOException {
        long project = Long.parseLong(lines("project.txt").get(0));
        long last = Long.parseLong(lines("project.txt").get(1));
        long middle = Long.parseLong(lines("project.txt").get(2));
        assertSame("now.txt");
        client.post("/api/projects/" + project + "/history/" + middle, null);
        assertSame("middle.txt");
        client.post("/api/projects/" + project + "/history/0", null);
        client.post("/api/projects/" + project + "/history/" + last, null);
        assertSame("now.txt");
    }

    /** Lines of an address and the checksum of what it answered. */
    private static void assertSame(String name) throws IOException {
        assertThat(lines(name)).isNotEmpty().allSatisfy(line -> {
            String[] parts = line.split(" ");
            byte[] answer = parts[0].equals("POST") ? client.postForBytes(parts[1]) : client.bytes(parts[1]);
            assertThat(Material.checksum("SHA-256", answer)).as(line + "\n" + new String(answer, StandardCharsets.ISO_8859_1)).isEqualTo(parts[2]);
        });
    }

    private static List<String> lines(String name) throws IOException {
        return Files.readAllLines(DATA.resolve("expected").resolve(name));
    }
}
