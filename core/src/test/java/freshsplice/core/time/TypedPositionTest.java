package freshsplice.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TypedPositionTest {
    @ParameterizedTest
    @CsvSource({"+12,1012", "-1:00,976", "−3,997", "01:00:21:07,86911", "1002107,86911", "2107,511", "7,7", "1:00,24"})
    void readsWhatPeopleType(String typed, long frame) {
        assertThat(TypedPosition.read(typed, 1000, FrameRate.FPS_24, false)).isEqualTo(frame);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "+x", "1:99", "99:00:00:00", "1:2:3:4:5", "123456789"})
    void refusesNonsenseInASentence(String typed) {
        assertThatThrownBy(() -> TypedPosition.read(typed, 0, FrameRate.FPS_24, false))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
