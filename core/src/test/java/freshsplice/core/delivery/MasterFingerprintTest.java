package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.motion.Channel;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A movie of a master is known by all that is seen and heard of it, and by nothing else. */
class MasterFingerprintTest {
    private static Master master(String name, long id, long out) {
        return new Master(3, name, FrameRate.FPS_24, false, 1000, List.of(Lane.of(name, List.of(Section.ofShot(id, 7,
                FrameRange.of(1000, out), Rational.of(1001))))));
    }

    private static Fingerprint print(Master master, double x, List<String> sound) {
        Camera camera = new Camera("cam", FilmBack.FULL_FRAME, 4, Map.of(CameraChannel.X, Channel.constant(x)));
        Camera other = new Camera("not seen", FilmBack.FULL_FRAME, 2, Map.of());
        return MasterFingerprint.of(master, Map.of(), Map.of(7L, camera, 8L, other), new Stage(List.of()), sound);
    }

    @Test
    void itIsTheSameForTheSameAndDiffersInThePartThatChanged() {
        Fingerprint made = print(master("a", 1, 1048), 2, List.of("wind 0 48"));
        assertThat(made.differences(print(master("another name", 99, 1048), 2, List.of("wind 0 48")))).isEmpty();
        assertThat(made.differences(print(master("a", 1, 1047), 2, List.of("wind 0 48")))).containsExactly("edit");
        assertThat(made.differences(print(master("a", 1, 1048), 3, List.of("wind 0 48")))).containsExactly("cameras");
        assertThat(made.differences(print(master("a", 1, 1048), 2, List.of("wind 0 47")))).containsExactly("sound");
    }
}
