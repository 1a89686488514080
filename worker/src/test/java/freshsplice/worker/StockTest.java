package freshsplice.worker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StockTest {
    @TempDir
    Path folder;

    @Test
    @DisplayName("what came is kept and does not come again; what broke off on its way is not there")
    void keeps() throws IOException {
        Stock stock = new Stock(folder, 1000);
        assertThatThrownBy(() -> stock.file("a.glb", into -> {
            Files.writeString(into, "half");
            throw new IOException("the line was cut");
        })).hasMessage("the line was cut");
        assertThat(folder).isEmptyDirectory();
        Path file = stock.file("a.glb", into -> Files.writeString(into, "whole"));
        assertThat(file).hasFileName("a.glb").hasContent("whole");
        assertThat(stock.file("a.glb", into -> {
            throw new IOException("it came twice");
        })).isEqualTo(file);
        assertThat(folder.toFile().list()).containsExactly("a.glb");
    }

    @Test
    @DisplayName("what was not used for longest makes room, never what just came; no name leads elsewhere")
    void makesRoom() throws IOException {
        Stock stock = new Stock(folder, 250);
        for (String name : new String[] {"a", "b"}) {
            Path file = stock.file(name, into -> Files.write(into, new byte[100]));
            Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(name.equals("a") ? 100 : 200)));
        }
        stock.file("b", into -> {
            throw new IOException("it is there");
        });
        stock.file("c", into -> Files.write(into, new byte[100]));
        assertThat(folder.toFile().list()).containsExactlyInAnyOrder("b", "c");
        stock.file("large", into -> Files.write(into, new byte[900]));
        assertThat(folder.toFile().list()).containsExactly("large");
        assertThatThrownBy(() -> stock.file("../x", into -> { })).hasMessageContaining("a file that cannot be");
    }
}
