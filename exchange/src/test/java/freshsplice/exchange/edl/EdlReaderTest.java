package freshsplice.exchange.edl;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every list of the reference folder is checked in the command line's test; here is what those do not have. */
class EdlReaderTest {
    private static Reading read(String text, FrameRate rate) {
        return Formats.read(new InputFile("x.edl", text.getBytes(StandardCharsets.UTF_8)), ReadOptions.at(rate));
    }

    private static Cut cut(String text) {
        return read(text, FrameRate.FPS_24).cuts().get(0);
    }

    private static Event event(String text) {
        return cut(text).tracks().get(0).events().get(0);
    }

    @Test
    void raggedColumnsTabsAndLongReelsAreRead() {
        Event event = event("1\tA_VERY_LONG_REEL.with-dots\t V\tC\t01:00:00:00 01:00:01:00\t00:00:00:00  00:00:01:00 \n");
        assertThat(event.source().reel()).isEqualTo("A_VERY_LONG_REEL.with-dots");
        assertThat(event.record()).isEqualTo(FrameRange.of(0, 24));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\n", "\r\n", "\r"})
    void everyLineEndIsRead(String end) {
        String text = String.join(end, "TITLE: t", "FCM: NON-DROP FRAME", "",
                "001 R V C 01:00:00:00 01:00:01:00 00:00:00:00 00:00:01:00", "* FROM CLIP NAME: é") + end;
        assertThat(event(text).name()).isEqualTo("é");
        byte[] marked = ("\uFEFF" + text).getBytes(StandardCharsets.UTF_8);
        assertThat(Formats.read(new InputFile("x.edl", marked), ReadOptions.at(FrameRate.FPS_24)).cuts().get(0).name())
                .isEqualTo("t");
    }

    /** As the reference library's EDL adapter writes speeds, as programs round them, and as they are counted at the base. */
    @ParameterizedTest
    @CsvSource({"24000/1001, 11.988011988011989, 1/2", "24000/1001, -23.976023976023978, -1", "24000/1001, 23.976, 1", "24000/1001, 23.98, 1",
        "24000/1001, 012.0, 1/2", "24000/1001, 24, 1", "24000/1001, -048, -2", "24000/1001, 17.982, 3/4", "24000/1001, 018.0, 3/4",
        "24000/1001, 17.142857, 17142857/24000000", "24000/1001, 000, 0", "30000/1001, 14.985, 1/2", "30000/1001, 29.97, 1", "30000/1001, 59.94005994005994, 2",
        "30000/1001, 15, 1/2", "24, 11.988, 999/2000", "24, 8.000000000000002, 1/3", "25, 033.3, 333/250"})
    void aSpeedIsCountedAtTheBaseOrAtTheRate(String rate, String written, String speed) {
        Event event = read("001 R V C 00:00:10:00 00:00:11:00 00:00:00:00 00:00:01:00\nM2 R " + written + " 00:00:10:00\n",
                FrameRate.parse(rate)).cuts().get(0).tracks().get(0).events().get(0);
        assertThat(event.time().slope()).contains(Rational.parse(speed));
    }

    @Test
    void everyTrackColumnNamesItsTracks() {
        assertThat(List.of("V", "V2", "A", "A3", "AA", "B", "AA/V", "A2/V", "NONE", "V1A1A2"))
                .map(EdlTracks::tracks).containsExactly(List.of("V1"), List.of("V2"), List.of("A1"), List.of("A3"),
                List.of("A1", "A2"), List.of("V1", "A1"), List.of("A1", "A2", "V1"), List.of("A2", "V1"), List.of(),
                List.of("V1", "A1", "A2"));
        assertThat(EdlTracks.isTracks("X")).isFalse();
    }

    @Test
    void aKeyPutsItsForegroundOnTheTrackAbove() {
        Reading reading = read("""
                001 BACK V K B 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                001 FORE V K 000 02:00:00:00 02:00:02:00 00:00:00:00 00:00:02:00
                * FROM CLIP NAME: back
                * KEY CLIP NAME: title
                """, FrameRate.FPS_24);
        Cut cut = reading.cuts().get(0);
        assertThat(cut.tracks()).extracting(Track::name).containsExactly("V1", "V2");
        assertThat(cut.tracks().get(0).events().get(0).name()).isEqualTo("back");
        assertThat(cut.tracks().get(1).events().get(0).name()).isEqualTo("title");
        assertThat(reading.remarks()).extracting(Remark::severity).contains(Remark.Severity.LOSS);
    }

    @Test
    void aDissolveBetweenTwoFullLinesLengthensTheFirst() {
        Cut cut = cut("""
                001 R1 V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                * FROM CLIP NAME: one
                002 R1 V C 01:00:02:00 01:00:02:00 00:00:02:00 00:00:02:00
                002 R2 V D 012 02:00:00:00 02:00:02:00 00:00:02:00 00:00:04:00
                * FROM CLIP NAME: one
                * TO CLIP NAME: two
                """);
        List<Event> events = cut.tracks().get(0).events();
        assertThat(events).extracting(Event::record).containsExactly(FrameRange.of(0, 60), FrameRange.of(48, 96));
        assertThat(events).extracting(Event::name).containsExactly("one", "two");
        assertThat(cut.tracks().get(0).transitions().get(0).cut()).isEqualTo(54);
    }

    @Test
    void markersAndCommentsAreKept() {
        Reading reading = read("""
                001 R1 V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                * LOC: 00:00:01:00 RED     gulls rise
                * SHOT NOTE: slower
                """, FrameRate.FPS_24);
        assertThat(reading.cuts().get(0).markers()).singleElement()
                .satisfies(m -> assertThat(m.name() + m.colour() + m.record()).isEqualTo("gulls riseRED[24, 25)"));
        assertThat(reading.cuts().get(0).tracks().get(0).events().get(0).comments()).containsExactly("SHOT NOTE: slower");
        assertThat(reading.remarks()).anyMatch(r -> r.place().equals("line 3"));
    }

    @Test
    @DisplayName("an event that does not name its file is of the file that one of the same reel and clip name names")
    void oneFile() {
        Cut cut = read("""
                001 R1 V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                * FROM CLIP NAME: wave
                002 R1 V C 01:00:04:00 01:00:06:00 00:00:02:00 00:00:04:00
                * FROM CLIP NAME: wave
                * SOURCE FILE: /boards/wave.mov
                003 R2 V C 01:00:04:00 01:00:06:00 00:00:04:00 00:00:06:00
                * FROM CLIP NAME: wave
                004 R1 V C 01:00:04:00 01:00:04:01 00:00:06:00 00:00:08:00
                M2 R1 000.0 01:00:04:00
                * FROM CLIP NAME: wave FF
                """, FrameRate.FPS_24).cuts().get(0);
        assertThat(cut.tracks().get(0).events()).extracting(e -> e.source().file())
                .containsExactly("/boards/wave.mov", "/boards/wave.mov", null, "/boards/wave.mov");
    }

    @Test
    @DisplayName("of two files under one reel and clip name none is guessed")
    void twoFiles() {
        Cut cut = read("""
                001 R1 V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                * FROM CLIP NAME: wave
                * SOURCE FILE: /a/wave.mov
                002 R1 V C 01:00:04:00 01:00:06:00 00:00:02:00 00:00:04:00
                * FROM CLIP NAME: wave
                * SOURCE FILE: /b/wave.mov
                003 R1 V C 01:00:04:00 01:00:06:00 00:00:04:00 00:00:06:00
                * FROM CLIP NAME: wave
                """, FrameRate.FPS_24).cuts().get(0);
        assertThat(cut.tracks().get(0).events().get(2).source().file()).isNull();
    }

    @Test
    @DisplayName("backwards beside a source range that runs forward is a doubt that says the other reading; beside one that runs back it is none")
    void backwards() {
        Reading forward = read("001 R V C 00:00:02:12 00:00:05:00 00:00:00:00 00:00:02:12\nM2 R -024.0 00:00:02:12\n", FrameRate.FPS_24);
        assertThat(forward.cuts().get(0).tracks().get(0).events().get(0).from()).isEqualTo(Rational.of(60));
        assertThat(forward.remarks()).filteredOn(r -> r.text().contains("backwards")).singleElement().satisfies(r -> {
            assertThat(r.severity()).isEqualTo(Remark.Severity.DOUBT);
            assertThat(r.text()).contains("write that last one as the source in");
        });
        // as OpenTimelineIO 0.18.1 with its EDL adapter 1.0.0 writes a clip turned round
        Reading back = read("001  wave     V     C        00:00:02:12 00:00:00:00 00:00:00:00 00:00:02:12\nM2   wave\t\t-24.0\t\t\t00:00:02:12\n",
                FrameRate.FPS_24);
        assertThat(back.remarks()).noneMatch(r -> r.text().contains("backwards"));
    }

    @Test
    @DisplayName("a clip slid before frame 0 of its source is never written as a timecode of the day before")
    void beforeZero() {
        FrameRange record = FrameRange.of(0, 24);
        Event event = Event.clip(null, "n", record, Source.named("n", "R", FrameRate.FPS_24),
                TimeMap.constant(record, Rational.of(-19), Rational.ONE));
        Cut cut = new Cut("c", FrameRate.FPS_24, false, record, List.of(new Track(Track.Kind.PICTURE, "V1", true,
                List.of(event), List.of())), List.of());
        WrittenFile written = Formats.writer("edl").write(cut, WriteOptions.DEFAULT);
        assertThat(new String(written.bytes(), StandardCharsets.UTF_8)).contains(" 00:00:00:00 00:00:01:00 ").doesNotContain("23:59:59");
        assertThat(written.remarks()).anyMatch(r -> r.severity() == Remark.Severity.LOSS && r.text().contains("begins before its source does"));
    }

    @Test
    void theRateIsGuessedWithItsReason() {
        Reading reading = read("001 R V C 01:00:01:20 01:00:03:05 00:00:00:00 00:00:01:09\n", null);
        assertThat(reading.cuts().get(0).rate()).isEqualTo(FrameRate.FPS_24);
        assertThat(reading.remarks().get(0)).satisfies(r -> {
            assertThat(r.severity()).isEqualTo(Remark.Severity.DOUBT);
            assertThat(r.text()).contains("only at 24 or 24000/1001 frames/s is 1 event");
        });
        assertThat(read("001 R V C 01:00:00:00 01:00:01:24 00:00:00:00 00:00:01:24\n", null).cuts().get(0).rate())
                .isEqualTo(FrameRate.FPS_25);
        assertThat(read("FCM: DROP FRAME\n001 R V C 01:00:00:00 01:00:01:24 00:00:00:00 00:00:01:24\n", null).cuts()
                .get(0).rate()).isEqualTo(FrameRate.FPS_29_97);
    }

    @Test
    void lengthsThatDisagreeWithoutASpeedLineAreADoubt() {
        Reading reading = read("001 R V C 01:00:00:00 01:00:01:00 00:00:00:00 00:00:02:00\n", FrameRate.FPS_24);
        assertThat(reading.cuts().get(0).tracks().get(0).events().get(0).to()).isEqualTo(Rational.of(86448));
        assertThat(reading.remarks()).extracting(Remark::severity).contains(Remark.Severity.DOUBT);
    }

    @Test
    void eventsOverEachOtherAreADoubtWithTheirFrames() {
        Reading reading = read("""
                001 R V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                002 S V C 01:00:00:00 01:00:02:00 00:00:01:00 00:00:03:00
                """, FrameRate.FPS_24);
        assertThat(reading.remarks()).anyMatch(r -> r.text().contains("for 24 frames"));
    }

    @Test
    void labelsThatDoNotExistAreRefusedWithTheirLine() {
        assertThatThrownBy(() -> read("FCM: DROP FRAME\n001 R V C 00:01:00;00 00:01:01;00 00:00:00;00 00:00:00;28\n",
                FrameRate.FPS_29_97)).isInstanceOf(UnreadableFile.class)
                .hasMessageContaining("line 2").hasMessageContaining("00:01:00;00");
        assertThatThrownBy(() -> cut("001 R V C 00:00:00:00 00:00:00:24 00:00:00:00 00:00:00:24\n"))
                .hasMessageContaining("line 1").hasMessageContaining("frames run from 00 to 23");
    }

    @Test
    void aLineCutInTheMiddleIsALossWithItsLine() {
        Reading reading = read("""
                001 R V C 01:00:00:00 01:00:02:00 00:00:00:00 00:00:02:00
                002 S V C 01:00:00:00 01:00:0""", FrameRate.FPS_24);
        assertThat(reading.remarks()).anyMatch(r -> r.severity() == Remark.Severity.LOSS && r.place().equals("line 2"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "\n\n", "hello", "<xmeml/>", "{\"a\":1}", "TITLE: only a title\n", "001 002 003"})
    void whatIsNoListIsRefusedInASentence(String text) {
        assertThatThrownBy(() -> read(text, FrameRate.FPS_24)).isInstanceOf(UnreadableFile.class)
                .hasMessageContaining("x.edl");
    }

    @Test
    void binaryAndHugeInputIsRefused() {
        byte[] noise = new byte[100_000];
        new Random(1).nextBytes(noise);
        assertThatThrownBy(() -> Formats.read(new InputFile("x.edl", noise), ReadOptions.DEFAULT))
                .isInstanceOf(UnreadableFile.class);
        byte[] endless = new byte[65_000_000];
        Arrays.fill(endless, (byte) '7');
        assertThatThrownBy(() -> Formats.read(new InputFile("x.edl", endless), ReadOptions.DEFAULT))
                .isInstanceOf(UnreadableFile.class).hasMessageContaining("65 MB");
    }

    @Test
    void mangledListsEndInAReadingOrASentence() {
        String good = """
                TITLE: Night
                FCM: NON-DROP FRAME
                001   BL       V     C        00:00:00:00 00:00:00:00 01:00:00:00 01:00:00:00
                001   NM01     V     D    024 02:00:00:00 02:00:03:10 01:00:00:00 01:00:03:10
                M2   NM01       -025.0                02:00:00:00
                * TO CLIP NAME: STALL
                002   NM02     AA/V  W001 020 00:00:00:00 00:00:02:00 01:00:03:10 01:00:05:10
                """;
        Random random = new Random(11);
        for (int i = 0; i < 500; i++) {
            byte[] bytes = good.getBytes(StandardCharsets.UTF_8);
            for (int k = random.nextInt(6); k >= 0; k--) {
                bytes[random.nextInt(bytes.length)] = (byte) (random.nextBoolean() ? '0' + random.nextInt(11)
                        : random.nextInt(256));
            }
            InputFile file = new InputFile("m.edl", java.util.Arrays.copyOf(bytes,
                    random.nextInt(4) == 0 ? random.nextInt(bytes.length) : bytes.length));
            try {
                assertThat(Formats.read(file, ReadOptions.at(FrameRate.FPS_25)).cuts()).isNotEmpty();
            } catch (UnreadableFile e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
