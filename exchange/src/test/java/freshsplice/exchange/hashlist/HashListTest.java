package freshsplice.exchange.hashlist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class HashListTest {
    @Test
    @DisplayName("both kinds of list say path, size and digest")
    void bothKinds() {
        assertThat(read("""
                <hashlist version="2.0" xmlns="urn:ASC:MHL:v2.0"><creatorinfo/><hashes>
                <hash><path size="42">boards/harbour.png</path><xxh64 action="original">0EA03B369A463D9D</xxh64></hash>
                <hash><path size="7">boards/quay.png</path><c4>c41</c4></hash>
                </hashes></hashlist>""")).containsExactly(
                new HashList.Entry("boards/harbour.png", 42, "xxh64", "0ea03b369a463d9d"));
        assertThat(read("""
                <hashlist version="1.1"><hash><file>a.png</file><size>9</size>
                <md5>900150983cd24fb0d6963f7d28e17f72</md5></hash></hashlist>""")).containsExactly(
                new HashList.Entry("a.png", 9, "md5", "900150983cd24fb0d6963f7d28e17f72"));
    }

    @Test
    @DisplayName("other files, half files and entities are refused in a sentence")
    void hostile() {
        assertThatThrownBy(() -> read("<other/>")).isInstanceOf(UnreadableFile.class).hasMessageContaining("hashlist");
        assertThatThrownBy(() -> read("<hashlist><hash>")).isInstanceOf(UnreadableFile.class)
                .hasMessageContaining("line 1");
        assertThatThrownBy(() -> read("<!DOCTYPE a [<!ENTITY b SYSTEM 'file:///etc/passwd'>]><hashlist><hash>"
                + "<file>&b;</file></hash></hashlist>")).isInstanceOf(UnreadableFile.class);
        assertThatThrownBy(() -> read("<hashlist>" + "<a>".repeat(2000))).isInstanceOf(UnreadableFile.class);
    }

    private static List<HashList.Entry> read(String text) {
        return HashList.read(new InputFile("list.mhl", text.getBytes(StandardCharsets.UTF_8)), Limits.DEFAULT);
    }
}
