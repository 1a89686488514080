package freshsplice.server.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SweepTest {
    @Test
    void halfASheetOfAKilledServerIsSweptUpAndWholeOnesStay(@TempDir Path data) throws IOException {
        Folders folders = new Folders(data);
        ContactSheets sheets = new ContactSheets(null, null, null, folders);
        sheets.sweep();
        Path project = folders.renders().resolve("sheets").resolve("7");
        Files.createDirectories(project.resolve("sheet_v001"));
        Files.writeString(Files.createDirectories(project.resolve("sheet_v002.part")).resolve("sheet_v002_1.png"), "half");
        sheets.sweep();
        assertThat(project).isDirectoryContaining("glob:**/sheet_v001").isDirectoryNotContaining("glob:**/sheet_v002.part");
    }
}
