package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Remark;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A random cut written and read again shows the same source frame on every record frame, but where the writer said a
 * loss. Names, files and reels stay with what is shown.
 */
class RoundTripTest {
    private static final int CUTS = 150;

    private static Reading again(String format, WrittenFile written, Cut cut) {
        String ending = format.equals("xmeml") ? "xml" : format;
        return Formats.read(new InputFile("again." + ending, written.bytes()), ReadOptions.at(cut.rate()));
    }

    /** Everything seen at each record frame, in words: what, which frame of it, from where. */
    private static Map<Long, List<String>> shown(Cut cut) {
        Map<Long, List<String>> shown = new TreeMap<>();
        for (LiveEvent clip : LivePicture.of(cut)) {
            var source = clip.event().source();
            String what = clip.event().kind() + " " + clip.event().name() + (source == null ? ""
                    : " " + source.file() + " " + source.reel());
            boolean timed = source != null;
            for (long r = clip.record().in(); r < clip.record().out(); r++) {
                shown.computeIfAbsent(r, k -> new ArrayList<>())
                        .add(what + (timed ? " " + clip.time().frameAt(r) : ""));
            }
        }
        shown.values().forEach(Collections::sort);
        return shown;
    }

    @ParameterizedTest
    @ValueSource(strings = {"xmeml", "otio", "aaf"})
    void everyFrameShowsWhatItShowed(String format) {
        int compared = 0;
        for (int seed = 0; seed < CUTS; seed++) {
            Cut cut = RandomCut.of(seed);
            WrittenFile written = Formats.writer(format).write(cut, WriteOptions.DEFAULT);
            Reading reading = again(format, written, cut);
            Cut read = reading.cuts().get(0);
            assertThat(read.record()).as("seed %s", seed).isEqualTo(cut.record());
            assertThat(read.rate()).isEqualTo(cut.rate());
            assertThat(read.tracks()).as("seed %s", seed).hasSameSizeAs(cut.tracks());
            assertThat(read.markers()).hasSameSizeAs(cut.markers());
            if (written.remarks().stream().noneMatch(r -> r.severity() == Remark.Severity.LOSS)) {
                compared++;
                assertThat(shown(read)).as("seed %s, %s", seed, reading.remarks()).isEqualTo(shown(cut));
            }
        }
        assertThat(compared).as("cuts that the format can hold whole").isGreaterThan(CUTS / 5);
    }

    @Test
    void theSameFormatWritesTheSameTwice() {
        for (String format : List.of("xmeml", "otio")) {
            for (int seed = 0; seed < 40; seed++) {
                Cut cut = RandomCut.of(seed);
                WrittenFile first = Formats.writer(format).write(cut, WriteOptions.DEFAULT);
                WrittenFile second = Formats.writer(format).write(again(format, first, cut).cuts().get(0), WriteOptions.DEFAULT);
                WrittenFile third = Formats.writer(format).write(again(format, second, cut).cuts().get(0), WriteOptions.DEFAULT);
                assertThat(new String(third.bytes(), StandardCharsets.ISO_8859_1)).as("%s, seed %s", format, seed).isEqualTo(new String(second.bytes(), StandardCharsets.ISO_8859_1));
            }
        }
    }
}
