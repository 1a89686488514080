package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.servlet.autoconfigure.MultipartProperties;

/** What lies in the data folder, and what a kill leaves there. */
@ExtendWith(TestServer.class)
class FoldersTest {
    @Test
    @DisplayName("uploads that were not whole and what libraries put aside are taken away, and nothing of this run, and nothing else")
    void leftovers(@TempDir Path data) throws IOException {
        Folders folders = new Folders(data);
        Path upload = Files.writeString(folders.arriving().resolve("half.mov"), "half");
        Path aside = Files.createDirectories(folders.temporary().resolve("run-1"));
        Files.writeString(Files.createDirectories(aside.resolve("web/work")).resolve("part.tmp"), "part");
        Path kept = Files.writeString(folders.media().resolve("whole.png"), "whole");
        List<Path> leftovers = folders.leftovers();
        Path now = Files.createDirectories(folders.temporary().resolve("run-2/web/work"));
        Folders.remove(leftovers);
        assertThat(upload).doesNotExist();
        assertThat(aside).doesNotExist();
        assertThat(now).isDirectory();
        assertThat(kept).exists();
    }

    @Test
    @DisplayName("an upload under way lies in the data folder, not in the system's temporary one")
    void whereUploadsLie() {
        assertThat(Path.of(TestServer.bean(MultipartProperties.class).getLocation()))
                .isEqualTo(TestServer.bean(Folders.class).arriving());
    }
}
