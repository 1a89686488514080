package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.exchange.format.WriteOptions;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files made to hurt: each ends in a reading with remarks or in a sentence, and soon. */
class HostileFilesTest {
    private static final String RATE = "<rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>";

    private static Reading read(String name, byte[] bytes) {
        return Formats.read(new InputFile(name, bytes), ReadOptions.DEFAULT);
    }

    private static Reading xml(String body) {
        return read("x.xml", body.getBytes(StandardCharsets.UTF_8));
    }

    private static void refused(String name, byte[] bytes, String... words) {
        assertThatThrownBy(() -> read(name, bytes)).isInstanceOf(UnreadableFile.class).message().contains(words);
    }

    private static void refusedXml(String body, String... words) {
        refused("x.xml", body.getBytes(StandardCharsets.UTF_8), words);
    }

    @Test
    void entitiesAreNeverFollowed() {
        String laughs = "<!DOCTYPE xmeml [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;&a;\">"
                + "<!ENTITY file SYSTEM \"file:///etc/passwd\">]>";
        refusedXml(laughs + "<xmeml version=\"5\"><sequence><name>&b;</name></sequence></xmeml>", "x.xml, line 1");
        refusedXml(laughs + "<xmeml version=\"5\"><sequence><name>&file;</name></sequence></xmeml>", "x.xml, line 1");
        assertThat(xml("<!DOCTYPE xmeml><xmeml version=\"5\"><sequence><name>plain</name>" + RATE
                + "</sequence></xmeml>").cuts().get(0).name()).isEqualTo("plain");
    }

    @Test
    void nestingWithoutEndIsRefused() {
        String deep = "<a>".repeat(10_000);
        refusedXml("<xmeml version=\"5\"><sequence><media><video><track><clipitem>" + deep, "levels deep");
        String sequences = "<sequence><media><video><track><clipitem>".repeat(10_000);
        refusedXml("<xmeml version=\"5\">" + sequences, "levels deep");
        String stack = "{\"OTIO_SCHEMA\":\"Stack.1\",\"children\":[".repeat(10_000);
        refused("x.otio", stack.getBytes(StandardCharsets.UTF_8), "x.otio");
    }

    @Test
    void aSequenceInsideItselfIsOpenedOnce() {
        Reading reading = xml("<xmeml version=\"5\"><sequence id=\"s\"><name>round</name>" + RATE
                + "<media><video><track><clipitem id=\"c\"><name>again</name><start>0</start><end>10</end><in>0</in>"
                + "<out>10</out><sequence id=\"s\"/></clipitem></track></video></media></sequence></xmeml>");
        assertThat(reading.cuts().get(0).tracks().get(0).events().get(0).kind()).isEqualTo(Event.Kind.MISSING);
        assertThat(reading.remarks()).anyMatch(r -> r.severity() == Remark.Severity.LOSS
                && r.text().contains("inside itself"));
    }

    /** Ten sequences that each show the next ten times: ten to the power of ten events in four thousand bytes. */
    @Test
    void aShortFileThatOpensToBillionsIsRefused() {
        StringBuilder body = new StringBuilder("<xmeml version=\"5\">");
        for (int level = 0; level < 10; level++) {
            body.append("<sequence id=\"s").append(level).append("\">").append(RATE).append("<media><video><track>");
            for (int i = 0; i < 10; i++) {
                body.append("<clipitem><name>n</name><start>").append(i).append("</start><end>").append(i + 1)
                        .append("</end><in>0</in><out>1</out>")
                        .append(level < 9 ? "<sequence id=\"s" + (level + 1) + "\"/>" : "").append("</clipitem>");
            }
            body.append("</track></video></media></sequence>");
        }
        refusedXml(body + "</xmeml>", "events when its nested cuts are opened");
    }

    private static byte[] zip(String name, byte[] content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
        }
        return bytes.toByteArray();
    }

    @Test
    void aZipBombIsRefusedAndAZipThatClimbsOutIsHarmless() throws IOException {
        byte[] bomb = zip("content.otio", new byte[2_000_000]);
        Limits small = new Limits(1_000_000, 1000, 8);
        assertThatThrownBy(() -> Formats.read(new InputFile("x.otioz", bomb), new ReadOptions(null, small)))
                .isInstanceOf(UnreadableFile.class).hasMessageContaining("unpacks to more than 1 MB");
        refused("x.otioz", zip("../../content.otio", "{}".getBytes(StandardCharsets.UTF_8)), "without content.otio");
    }

    @Test
    void aCompoundFileWhoseSectorsLoopIsRefused() {
        byte[] good = Formats.writer("aaf").write(RandomCut.of(1), WriteOptions.DEFAULT).bytes();
        refused("x.aaf", Arrays.copyOf(good, good.length / 2), "x.aaf");
        refused("x.aaf", Arrays.copyOf(good, 600), "x.aaf");
        int refused = 0;
        for (int word = 76; word < 200; word += 4) {
            byte[] bad = good.clone();
            bad[word] = 0;
            bad[word + 1] = 0;
            bad[word + 2] = 0;
            bad[word + 3] = 0;
            try {
                read("x.aaf", bad);
            } catch (UnreadableFile e) {
                refused++;
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void namesThatArePathsAreOnlyNames() {
        Reading reading = xml("<xmeml version=\"5\"><sequence><name>../../etc</name>" + RATE + "<media><video><track>"
                + "<clipitem><name>../../../x</name><start>0</start><end>9</end><in>0</in><out>9</out><file id=\"f\">"
                + "<pathurl>file:///etc/passwd</pathurl></file></clipitem></track></video></media></sequence></xmeml>");
        assertThat(reading.cuts().get(0).tracks().get(0).events().get(0).source().file()).isEqualTo("/etc/passwd");
    }

    @Test
    void moreThanACutMayHoldIsRefusedBeforeItIsRead() {
        Limits small = new Limits(100, 10, 4);
        assertThatThrownBy(() -> Formats.read(new InputFile("x.xml", new byte[101]), new ReadOptions(null, small)))
                .isInstanceOf(UnreadableFile.class).hasMessageContaining("larger than a cut may be");
    }

    /** Three gigabytes of nothing: refused by its size, before a byte of it is in memory. */
    @Test
    void aHugeFileIsRefusedUnread(@TempDir Path folder) throws IOException {
        Path huge = folder.resolve("huge.edl");
        try (RandomAccessFile file = new RandomAccessFile(huge.toFile(), "rw")) {
            file.setLength(3_000_000_000L);
        }
        assertThatThrownBy(() -> InputFile.of(huge, "cut.edl", Limits.DEFAULT)).isInstanceOf(UnreadableFile.class)
                .hasMessageContaining("cut.edl has 3000 MB");
    }
}
