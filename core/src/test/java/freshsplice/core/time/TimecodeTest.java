package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimecodeTest {
    private static final List<FrameRate> RATES = List.of(FrameRate.FPS_23_976, FrameRate.FPS_24, FrameRate.FPS_25,
            FrameRate.FPS_29_97, FrameRate.FPS_30, FrameRate.FPS_48, FrameRate.FPS_50, FrameRate.FPS_59_94,
            FrameRate.FPS_60);

    /** 684 pairs of frame and label at seven rates, written by opentime (the time library of OpenTimelineIO). */
    @Test
    void agreesWithEveryRowOfTheReferenceTable() throws IOException {
        int rows = 0;
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                TimecodeTest.class.getResourceAsStream("/timecode.csv"), StandardCharsets.UTF_8))) {
            in.readLine();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String[] column = line.split(",");
                FrameRate rate = FrameRate.parse(column[0]);
                boolean drop = column[1].equals("1");
                long frame = Long.parseLong(column[2]);
                rows++;
                if (frame == Timecode.framesPerDay(rate, false) - 1 && rate.hasDropFrame()) {
                    // a finding: opentime wraps non-drop labels after the frames of a drop-frame day; ST 12-1 gives
                    // the last frame of a day of labels 23:59:59 and the last frame number
                    assertThat(Timecode.of(frame % Timecode.framesPerDay(rate, true), rate, false).label())
                            .isEqualTo(column[3]);
                    continue;
                }
                assertThat(Timecode.of(frame, rate, drop).label()).as(line).isEqualTo(column[3]);
                assertThat(Timecode.parse(column[3], rate, drop).frame()).as(line).isEqualTo(frame);
            }
        }
        assertThat(rows).isEqualTo(684);
    }

    /** SMPTE ST 12-1, the usual check values. */
    @ParameterizedTest
    @CsvSource({"1799,00:00:59;29", "1800,00:01:00;02", "17982,00:10:00;00", "107892,01:00:00;00"})
    void countsDropFrameAt2997(long frame, String label) {
        assertThat(Timecode.of(frame, FrameRate.FPS_29_97, true).label()).isEqualTo(label);
    }

    @Test
    void aDropFrameDayHas2589408Frames() {
        assertThat(Timecode.framesPerDay(FrameRate.FPS_29_97, true)).isEqualTo(2_589_408);
    }

    @Test
    void everyFrameOfADropFrameDayComesBackFromItsLabel() {
        for (FrameRate rate : List.of(FrameRate.FPS_29_97, FrameRate.FPS_59_94)) {
            long wrong = 0;
            String before = "";
            for (long frame = 0; frame < Timecode.framesPerDay(rate, true); frame++) {
                String label = Timecode.of(frame, rate, true).label();
                if (Timecode.parse(label, rate, true).frame() != frame || label.compareTo(before) <= 0) {
                    wrong++;
                }
                before = label;
            }
            assertThat(wrong).isZero();
        }
    }

    @Test
    void randomFramesComeBackFromTheirLabelsAtEveryRate() {
        Random random = new Random(12);
        for (FrameRate rate : RATES) {
            for (int i = 0; i < 2000; i++) {
                long frame = random.nextLong(Timecode.framesPerDay(rate, false));
                assertThat(Timecode.parse(Timecode.of(frame, rate, false).label(), rate, false).frame())
                        .isEqualTo(frame);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"00:01:00;00", "00:01:00;01", "10:59:00;00"})
    void refusesLabelsThatDropFrameSkips(String label) {
        assertThatThrownBy(() -> Timecode.parse(label, FrameRate.FPS_29_97, true))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(label).hasMessageContaining("does not exist in drop-frame");
    }

    @ParameterizedTest
    @CsvSource({"00:00:00:24", "00:60:00:00", "00:00:61:00", "25:00:00:00", "24:00:00:01", "x", "1:2:3"})
    void refusesWhatIsNoLabelAt24(String label) {
        assertThatThrownBy(() -> Timecode.parse(label, FrameRate.FPS_24, false))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining(label);
    }

    @Test
    void dropFrameExistsAtTwoRatesOnly() {
        for (FrameRate rate : RATES) {
            if (rate.hasDropFrame()) {
                assertThat(Timecode.of(0, rate, true).label()).isEqualTo("00:00:00;00");
            } else {
                assertThatThrownBy(() -> Timecode.of(0, rate, true)).isInstanceOf(IllegalArgumentException.class);
            }
        }
        assertThat(RATES.stream().filter(FrameRate::hasDropFrame)).hasSize(2);
    }

    @Test
    void wrapsAfterADay() {
        assertThat(Timecode.of(24 * 3600 * 24 + 5, FrameRate.FPS_24, false).label()).isEqualTo("00:00:00:05");
    }
}
