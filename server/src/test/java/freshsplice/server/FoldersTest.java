package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.servlet.autoconfigure.MultipartProperties;

/** What lies in the data folder, and what a kill leaves there. */
@ExtendWith(TestServer.class)
class FoldersTest {
    @Test
    @DisplayName("uploads that were not whole and what libraries put aside are taken away at the start, and nothing else")
    void leftovers(@TempDir Path data) throws IOException {
        Folders folders = new Folders(data);
        Files.writeString(folders.arriving().resolve("half.mov"), "half");
        Files.writeString(Files.createDirectories(folders.temporary().resolve("web/work")).resolve("part.tmp"), "part");
        Path kept = Files.writeString(folders.media().resolve("whole.png"), "whole");
        folders.emptyLeftovers();
        assertThat(folders.arriving()).isEmptyDirectory();
        assertThat(folders.temporary()).isEmptyDirectory();
        assertThat(kept).exists();
    }

    @Test
    @DisplayName("an upload under way lies in the data folder, not in the system's temporary one")
    void whereUploadsLie() {
        assertThat(Path.of(TestServer.bean(MultipartProperties.class).getLocation()))
                .isEqualTo(TestServer.bean(Folders.class).arriving());
    }
}
