package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** No single event refuses a file, whatever times another program wrote for it. */
class CountableTest {
    private static String clip(String name, String start, String scalar) {
        return "{\"OTIO_SCHEMA\":\"Clip.2\",\"name\":\"" + name + "\",\"source_range\":{\"OTIO_SCHEMA\":\"TimeRange.1\","
                + "\"start_time\":{\"OTIO_SCHEMA\":\"RationalTime.1\",\"rate\":24,\"value\":" + start
                + "},\"duration\":{\"OTIO_SCHEMA\":\"RationalTime.1\",\"rate\":24,\"value\":48}},\"effects\":[{"
                + "\"OTIO_SCHEMA\":\"LinearTimeWarp.1\",\"time_scalar\":" + scalar + "}]}";
    }

    private static Reading read(String... clips) {
        String body = "{\"OTIO_SCHEMA\":\"Timeline.1\",\"name\":\"t\",\"tracks\":{\"OTIO_SCHEMA\":\"Stack.1\",\"children\":"
                + "[{\"OTIO_SCHEMA\":\"Track.1\",\"kind\":\"Video\",\"children\":[" + String.join(",", clips) + "]}]}}";
        return Formats.read(new InputFile("t.otio", body.getBytes(StandardCharsets.UTF_8)), ReadOptions.DEFAULT);
    }

    @Test
    @DisplayName("a speed of sixteen digits is read, to far less than a frame, and so is what stands beside it")
    void fineSpeed() {
        Reading reading = read(clip("a", "1001.0037593984962", "1.007592530875576"), clip("b", "7", "1"));
        Event fine = reading.cuts().get(0).tracks().get(0).events().get(0);
        assertThat(fine.to().minus(fine.from()).toDouble()).isCloseTo(48 * 1.007592530875576,
                org.assertj.core.data.Offset.offset(0.001));
        assertThat(fine.from().toDouble()).isCloseTo(1001.0037593984962, org.assertj.core.data.Offset.offset(0.001));
        assertThat(reading.cuts().get(0).tracks().get(0).events().get(1).from()).isEqualTo(Rational.of(7));
        assertThat(LivePicture.of(reading.cuts().get(0))).hasSize(2);
    }

    @Test
    @DisplayName("a time past all counting becomes a slate with a remark; its neighbours stay")
    void pastCounting() {
        Reading reading = read(clip("a", "9e14", "123456.789012345"), clip("b", "7", "1"));
        assertThat(reading.cuts().get(0).tracks().get(0).events()).extracting(Event::kind)
                .containsExactly(Event.Kind.MISSING, Event.Kind.CLIP);
        assertThat(reading.remarks()).anyMatch(r -> r.severity() == Remark.Severity.LOSS && r.text().contains("slate"));
    }

    @Test
    @DisplayName("a length or a place past all counting leaves its event out; what comes after is read")
    void lengthsAndPlaces() {
        Reading otio = read(clip("a", "7", "1").replace("\"value\":48", "\"value\":9e14"), clip("b", "7", "1"));
        assertThat(otio.cuts().get(0).tracks().get(0).events()).extracting(Event::name).containsExactly("b");
        assertThat(otio.remarks()).anyMatch(r -> r.text().contains("left out"));
        String rate = "<rate><timebase>24</timebase><ntsc>FALSE</ntsc></rate>";
        String item = "<clipitem><name>%s</name>" + rate + "<start>%d</start><end>%d</end><in>0</in><out>10</out></clipitem>";
        String body = "<xmeml version=\"5\"><sequence><name>c</name>" + rate + "<media><video><track>"
                + item.formatted("a", Long.MAX_VALUE - 10, Long.MAX_VALUE) + item.formatted("b", 0, 10)
                + "</track></video></media></sequence></xmeml>";
        Reading xml = Formats.read(new InputFile("c.xml", body.getBytes(StandardCharsets.UTF_8)), ReadOptions.DEFAULT);
        assertThat(xml.cuts().get(0).tracks().get(0).events()).extracting(Event::name).containsExactly("b");
    }
}
