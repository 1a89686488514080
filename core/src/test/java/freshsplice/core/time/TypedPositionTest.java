package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypedPositionTest {
    @ParameterizedTest
    @CsvSource({"+12,1012", "-1:00,976", "−3,997", "01:00:21:07,86911", "1002107,86911", "2107,511", "7,7", "1:00,24"})
    void readsWhatPeopleType(String typed, long frame) {
        assertThat(new TypedPosition(FrameRate.FPS_24, false, 0, TypedPosition.Unit.TIMECODE).read(typed, 1000)).isEqualTo(frame);
    }

    /** From a master that begins at 01:00:00:00 = 86400, at its frame 100. */
    @ParameterizedTest
    @CsvSource({"TIMECODE,20:00,86880", "TIMECODE,2000,86880", "TIMECODE,7,86407", "TIMECODE,01:00:01:00,86424",
        "TIMECODE,+1.5,86536", "FRAMES,500,86899", "FRAMES,1,86400", "FRAMES,+12,86512", "FRAMES,1:00,86424", "SECONDS,20.5,86892",
        "SECONDS,'20,5',86892", "SECONDS,3,86472", "SECONDS,+2,86548", "SECONDS,-1:00,86476"})
    void readsWhatTheRulerShows(TypedPosition.Unit unit, String typed, long frame) {
        assertThat(new TypedPosition(FrameRate.FPS_24, false, 86_400, unit).read(typed, 86_500)).isEqualTo(frame);
    }

    @ParameterizedTest
    @EnumSource(TypedPosition.Unit.class)
    void saysWhatItCouldNotRead(TypedPosition.Unit unit) {
        assertThatThrownBy(() -> new TypedPosition(FrameRate.FPS_25, false, 0, unit).read("20,x", 0))
                .hasMessageContaining("\"20,x\" is no position: type ");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "+x", "1:99", "99:00:00:00", "1:2:3:4:5", "123456789"})
    void refusesNonsenseInASentence(String typed) {
        assertThatThrownBy(() -> new TypedPosition(FrameRate.FPS_24, false, 0, TypedPosition.Unit.TIMECODE).read(typed, 0))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
