package freshsplice.exchange.xmeml;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Under the time-remap filter in, out and duration count frames of the retimed clip (common practice). */
class RetimedClipTest {
    private static final String RATE = "<rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>";

    private static Event read(String item) {
        String body = "<xmeml version=\"5\"><sequence><name>c</name>" + RATE + "<media><video><track>" + item
                + "</track></video></media></sequence></xmeml>";
        return Formats.read(new InputFile("c.xml", body.getBytes(StandardCharsets.UTF_8)), ReadOptions.DEFAULT)
                .cuts().get(0).tracks().get(0).events().get(0);
    }

    private static String clip(long in, long out, long length, String file, String percent, String reverse) {
        return "<clipitem id=\"c\"><name>n</name>" + RATE + "<start>0</start><end>" + length + "</end><in>" + in + "</in><out>"
                + out + "</out>" + file + "<filter><effect><effectid>timeremap</effectid><parameter><parameterid>speed"
                + "</parameterid><value>" + percent + "</value></parameter><parameter><parameterid>reverse</parameterid><value>"
                + reverse + "</value></parameter></effect></filter></clipitem>";
    }

    @ParameterizedTest
    @CsvSource({"326400, 239, 0.25, FALSE, 816, 326639/400", "50, 24, 200, FALSE, 100, 148", "10, 20, 50, FALSE, 5, 15",
        "10, 20, 100, TRUE, 29, 9", "10, 20, 200, TRUE, 59, 19"})
    @DisplayName("the first source frame is in times the speed, and the length is that of the record")
    void reads(long in, long length, String percent, String reverse, String from, String to) {
        Event event = read(clip(in, in + length, length, "<file><name>f.mov</name><pathurl>file:///f.mov</pathurl></file>",
                percent, reverse));
        assertThat(event.from()).isEqualTo(Rational.parse(from));
        assertThat(event.to()).isEqualTo(Rational.parse(to));
    }

    @Test
    @DisplayName("the writer counts the same way: in 50 for source frame 100 at double speed, out and in as far apart as the record")
    void writes() {
        FrameRange record = FrameRange.of(0, 24);
        Source source = new Source("n", null, "/f.mov", FrameRate.FPS_24, 0L, 500L);
        Event event = Event.clip(null, "n", record, source, TimeMap.constant(record, Rational.of(100), Rational.of(2)));
        Cut cut = new Cut("c", FrameRate.FPS_24, false, record, List.of(new Track(Track.Kind.PICTURE, "V1", true,
                List.of(event), List.of())), List.of());
        String written = new String(Formats.writer("xmeml").write(cut, WriteOptions.DEFAULT).bytes(), StandardCharsets.UTF_8);
        assertThat(written.replaceAll("\\s", "")).contains("<in>50</in>", "<out>74</out>", "<duration>250</duration>");
    }

    @Test
    @DisplayName("what the edit program makes runs at normal speed, whatever rate it is counted at")
    void generatorOfAnotherRate() {
        String thirty = "<rate><timebase>30</timebase><ntsc>FALSE</ntsc></rate>";
        Event made = read("<generatoritem id=\"g\"><name>Title</name>" + thirty + "<start>0</start><end>24</end><in>30</in><out>60"
                + "</out><effect><name>Text</name></effect></generatoritem>");
        assertThat(made.kind()).isEqualTo(Event.Kind.GENERATOR);
        assertThat(made.speed(FrameRate.FPS_24)).contains(Rational.ONE);
        assertThat(made.from()).isEqualTo(Rational.of(24));
        Event graphic = read("<clipitem id=\"c\"><name>Bars</name>" + RATE + "<start>0</start><end>24</end><in>0</in><out>24"
                + "</out><file id=\"f\"><name>HD bars</name>" + thirty + "<mediaSource>Slug</mediaSource></file></clipitem>");
        assertThat(graphic.speed(FrameRate.FPS_24)).contains(Rational.ONE);
    }

    @ParameterizedTest
    @CsvSource({"Slug", "GraphicAndType"})
    @DisplayName("a clip whose file is a word and no address is made by the edit program: a generator")
    void madeMedia(String word) {
        Event event = read("<clipitem id=\"c\"><name>Bars</name>" + RATE + "<start>0</start><end>10</end><in>0</in><out>10"
                + "</out><file id=\"f\"><name>HD bars</name><mediaSource>" + word + "</mediaSource></file></clipitem>");
        assertThat(event.kind()).isEqualTo(Event.Kind.GENERATOR);
        assertThat(event.name()).isEqualTo("Bars");
    }
}
