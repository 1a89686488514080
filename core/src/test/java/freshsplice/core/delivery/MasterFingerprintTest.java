package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.motion.Channel;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Shape;
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
        return new Master(3, name, FrameRate.FPS_24, false, 1000, List.of(Track.of(name, List.of(Clip.ofShot(id, 7,
                FrameRange.of(1000, out), Rational.of(1001))))));
    }

    private static FilmedShot filmed(Camera camera, Stage stage) {
        return new FilmedShot(new Shot(7, "sh0010", FrameRange.of(1001, 1049), 8, 0, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE,
                true)), camera, stage);
    }

    private static Fingerprint print(Master master, double x, List<String> sound) {
        return print(master, x, new Stage(List.of()), sound);
    }

    private static Fingerprint print(Master master, double x, Stage stage, List<String> sound) {
        Camera camera = Camera.named("cam", FilmBack.FULL_FRAME).with(CameraChannel.X, Channel.constant(x));
        Camera other = Camera.named("not seen", FilmBack.FULL_FRAME);
        return MasterFingerprint.of(master, Map.of(), Map.of(7L, filmed(camera, stage), 8L, filmed(other, new Stage(List.of()))), false, sound);
    }

    @Test
    void itIsTheSameForTheSameAndDiffersInThePartThatChanged() {
        Fingerprint made = print(master("a", 1, 1048), 2, List.of("wind 0 48"));
        assertThat(made.differences(print(master("another name", 99, 1048), 2, List.of("wind 0 48")))).isEmpty();
        assertThat(made.differences(print(master("a", 1, 1047), 2, List.of("wind 0 48")))).containsExactly("edit");
        assertThat(made.differences(print(master("a", 1, 1048), 3, List.of("wind 0 48")))).containsExactly("cameras");
        assertThat(made.differences(print(master("a", 1, 1048), 2, List.of("wind 0 47")))).containsExactly("sound");
        Stage interior = new Stage(List.of(new Item(1, "lamp", new Geometry.Figure(Shape.CONE, "#808080"), 1, 1, 1, Map.of())));
        assertThat(made.differences(print(master("a", 1, 1048), 2, interior, List.of("wind 0 48")))).containsExactly("set");
    }
}
