package freshsplice.core.sources;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FolderMoveTest {
    @Test
    @DisplayName("one file found tells where all others of the folder are, in folders beside it too")
    void move() {
        FolderMove move = FolderMove.of("D:\\show\\boards\\sc1\\a.png", "/srv/art/boards/sc1/a.png");
        assertThat(move.moved("file:///D:/show/boards/sc1/b.png")).hasValue("srv/art/boards/sc1/b.png");
        assertThat(move.moved("D:/show/boards/sc2/c.png")).hasValue("srv/art/boards/sc2/c.png");
        assertThat(move.moved("D:/show/sound/mix.wav")).hasValue("srv/art/sound/mix.wav");
        assertThat(move.moved("E:/show/boards/sc1/b.png")).isEmpty();
        assertThat(FolderMove.comparable("/srv/art/Boards/SC1/b.png")).isEqualTo("srv/art/boards/sc1/b.png");
    }

    @Test
    @DisplayName("a file that was renamed as well tells of its own folder")
    void renamed() {
        FolderMove move = FolderMove.of("/a/x/one.png", "/b/y/eins.png");
        assertThat(move.moved("/a/x/two.png")).hasValue("b/y/two.png");
        assertThat(move.moved("/a/z/two.png")).isEmpty();
    }

    @Test
    @DisplayName("a path without folders says nothing of others")
    void bare() {
        assertThat(FolderMove.of("one.png", "/b/one.png").moved("two.png")).isEmpty();
    }
}
