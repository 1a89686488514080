package freshsplice.core.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FocusRulerTest {
    private static Item thing(String name, double x, double z, double width, Map<ItemChannel, Channel> more) {
        Map<ItemChannel, Channel> channels = new HashMap<>(more);
        channels.put(ItemChannel.X, Channel.constant(x));
        channels.put(ItemChannel.Z, Channel.constant(z));
        return new Item(1, name, new Geometry.Figure(Shape.BLOCK, "#808080"), width, 1, 1, channels);
    }

    private static Item thing(String name, double x, double z) {
        return thing(name, x, z, 1, Map.of());
    }

    /** Stands at the origin and looks along −z. */
    private static Camera camera(double lens, double stop, double focus, double pan) {
        return Camera.named("cam", FilmBack.SUPER_35).with(Map.of(CameraChannel.STOP, Channel.constant(stop), CameraChannel.LENS, Channel.constant(lens), CameraChannel.FOCUS,
                Channel.constant(focus), CameraChannel.PAN, Channel.constant(pan), CameraChannel.Y, Channel.constant(0), CameraChannel.Z,
                Channel.constant(0)));
    }

    private static FocusRuler ruler(Camera camera, Item... things) {
        return FocusRuler.of(camera, new Stage(List.of(things)), new Moment(Rational.of(1001), Rational.ZERO));
    }

    @Test
    void distancesAreAlongTheLineOfSightTheNearestFirst() {
        FocusRuler ruler = ruler(camera(35, 4, 3, 0), thing("far one", 0, -12), thing("aside", 5, -3), thing("near", 1, -2));
        assertThat(ruler.things()).extracting(FocusRuler.Thing::name).containsExactly("near", "aside", "far one");
        assertThat(ruler.things().get(1).metres()).as("the side has no part in it").isCloseTo(3, within(1e-9));
        assertThat(ruler(camera(35, 4, 3, 90), thing("left", -7, 0)).things().get(0).metres()).isCloseTo(7, within(1e-6));
    }

    @Test
    void whatCannotBeFocusedOnIsNotNamed() {
        Channel hidden = new Channel(List.of(new Key(0, 0, Easing.STEPPED)), 1);
        assertThat(ruler(camera(35, 4, 3, 0), thing("behind", 0, 4), thing("at the lens", 0, -0.2), thing("beyond", 0, -250),
                thing("ground", 0, -5, 40, Map.of()), thing("hidden", 0, -5, 1, Map.of(ItemChannel.SHOWN, hidden))).things()).isEmpty();
    }

    @Test
    void limitsAndAngleAreThoseOfLensStopAndBack() {
        FocusRuler ruler = ruler(camera(50, 2.8, 4, 0));
        assertThat(ruler.focus()).isEqualTo(4);
        assertThat(ruler.near()).isCloseTo(Optics.near(50, 2.8, 0.025, 4), within(1e-12)).isLessThan(4);
        assertThat(ruler.far()).isCloseTo(Optics.far(50, 2.8, 0.025, 4), within(1e-12)).isGreaterThan(4);
        assertThat(ruler.degrees()).isCloseTo(Optics.angleOfView(24.89, 50), within(1e-12));
    }

    @Test
    void fromTheHyperfocalDistanceOnThereIsNoFarLimit() {
        assertThat(ruler(camera(18, 8, 5, 0)).far()).isNull();
    }
}
