package freshsplice.core.camera.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class CameraEditsTest {
    private static final Camera FIXED = Camera.named("cam", FilmBack.SUPER_35).with(CameraChannel.LENS, Channel.constant(35));
    private static final Camera DOLLY = FIXED.with(CameraChannel.X, new Channel(List.of(new Key(1001, 2, Easing.EASED),
            new Key(1040, 8, Easing.EASED)), 0));

    private static Camera set(Camera camera, long frame, CameraChannel channel, double value, Reach reach) {
        return SetValues.at(camera, frame, Map.of(channel, value), reach, Easing.EASED);
    }

    private static List<Long> frames(Camera camera, CameraChannel channel) {
        return camera.channel(channel).keys().stream().map(Key::frame).toList();
    }

    @Test
    void aFixedCameraStaysFixedWhateverIsTyped() {
        for (Reach reach : Reach.values()) {
            Camera changed = set(FIXED, 1020, CameraChannel.LENS, 85, reach);
            assertThat(changed.channel(CameraChannel.LENS)).isEqualTo(Channel.constant(85));
            assertThat(reach.words(FIXED, CameraChannel.LENS)).isEqualTo("changes the camera");
        }
    }

    @Test
    void onAMovingOneItIsAKeyHereAllKeysAlongOrTheWholeMovement() {
        assertThat(frames(set(DOLLY, 1020, CameraChannel.X, 3, Reach.HERE), CameraChannel.X)).containsExactly(1001L, 1020L, 1040L);
        Camera along = set(DOLLY, 1001, CameraChannel.X, 2.5, Reach.ALL_KEYS);
        assertThat(along.channel(CameraChannel.X).keys()).extracting(Key::value).containsExactly(2.5, 8.5);
        assertThat(set(DOLLY, 1020, CameraChannel.X, 3, Reach.WHOLE).channel(CameraChannel.X)).isEqualTo(Channel.constant(3));
        assertThat(Reach.ALL_KEYS.words(DOLLY, CameraChannel.X)).isEqualTo("moves all 2 keys along");
        assertThat(Reach.HERE.words(DOLLY, CameraChannel.LENS)).isEqualTo("makes a key here");
        assertThat(Reach.WHOLE.words(DOLLY, CameraChannel.X)).isEqualTo("takes all 2 keys away");
    }

    /** From 0° to 190° typed is 190° on, and back from there as far back. */
    @Test
    void moreThanHalfATurnIsGoneAsTyped() {
        Camera turned = set(FIXED.with(CameraChannel.PAN, new Channel(List.of(new Key(1001, 0, Easing.STRAIGHT), new Key(1101, 0, Easing.STRAIGHT)), 0)),
                1051, CameraChannel.PAN, 190, Reach.HERE);
        assertThat(turned.keyed(CameraChannel.PAN, Rational.of(1026))).isEqualTo(95, within(20.0)).isPositive();
        assertThat(turned.keyed(CameraChannel.PAN, Rational.of(1049))).isBetween(150.0, 190.0);
        assertThat(turned.keyed(CameraChannel.PAN, Rational.of(1053))).isBetween(150.0, 190.0);
        Camera short170 = set(FIXED.with(CameraChannel.PAN, new Channel(List.of(new Key(1001, 170, Easing.STRAIGHT)), 0)), 1051, CameraChannel.PAN, -170,
                Reach.HERE);
        assertThat(short170.keyed(CameraChannel.PAN, Rational.of(1026))).as("an angle, the short way").isEqualTo(180, within(1e-9));
    }

    /** A view tells where it looks, from −180° to 180°; keyed at 175° and looked 7° further it is at 182°. */
    @Test
    void aViewGoesOnFromWhereThePanIs() {
        Camera looking = FIXED.with(CameraChannel.PAN, new Channel(List.of(new Key(1001, 175, Easing.STRAIGHT)), 0));
        PoseStack stack = PoseStack.of(looking, new Stage(List.of()));
        Moment now = new Moment(Rational.of(1050), Rational.of(50));
        assertThat(stack.valuesFor(new CameraPose.Place(1, 2, 3, 182, 0, 0).matrix(), now).pan()).isEqualTo(182, within(1e-9));
        assertThat(stack.valuesFor(new CameraPose.Place(1, 2, 3, -178, 10, 0).matrix(), now).pan()).isEqualTo(182, within(1e-9));
        assertThat(stack.valuesFor(new CameraPose.Place(1, 2, 3, 170, 0, 0).matrix(), now).pan()).isEqualTo(170, within(1e-9));
    }

    @Test
    void whatNobodyTouchedAndIsSetToWhatItIsIsTouchedAndNotKeyed() {
        Camera set = set(DOLLY, 1013, CameraChannel.TILT, CameraChannel.TILT.plain(), Reach.HERE);
        assertThat(set.isTouched(CameraChannel.TILT)).isTrue();
        assertThat(frames(set, CameraChannel.TILT)).isEmpty();
    }

    @Test
    void whatIsAsItWasIsNotWritten() {
        double there = DOLLY.keyed(CameraChannel.X, Rational.of(1013));
        assertThat(set(DOLLY, 1013, CameraChannel.X, there, Reach.HERE)).isEqualTo(DOLLY);
        assertThat(set(DOLLY, 1001, CameraChannel.X, 2, Reach.WHOLE).channel(CameraChannel.X)).as("a movement gives way to its own value")
                .isEqualTo(Channel.constant(2));
        Camera touched = set(DOLLY, 1013, CameraChannel.STOP, CameraChannel.STOP.plain(), Reach.WHOLE);
        assertThat(touched.isTouched(CameraChannel.STOP)).as("who typed it has touched it").isTrue();
    }

    @Test
    void aKeyThatIsTypedAnewGoesOnAsItDid() {
        Camera stepped = KeyEdits.ease(DOLLY, Set.of(new KeyPlace(CameraChannel.X, 1001)), Easing.STEPPED, null, Way.LONG);
        Key key = set(stepped, 1001, CameraChannel.X, 5, Reach.HERE).channel(CameraChannel.X).keys().get(0);
        assertThat(key).isEqualTo(new Key(1001, 5, Easing.STEPPED, null, Way.LONG));
    }

    @Test
    void impossibleValuesAreRefusedWithTheirLimits() {
        assertThatThrownBy(() -> set(FIXED, 1001, CameraChannel.LENS, 0, Reach.HERE)).isInstanceOf(Refusal.class)
                .hasMessageContaining("lens").hasMessageContaining("between 1.0 and 2000.0");
        assertThatThrownBy(() -> set(FIXED, 1001, CameraChannel.PAN, 1e9, Reach.HERE)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> set(DOLLY, 1001, CameraChannel.X, 99_999, Reach.ALL_KEYS)).isInstanceOf(Refusal.class);
        List<Key> many = LongStream.range(0, 10_001).mapToObj(f -> new Key(f, 1, Easing.EASED)).toList();
        assertThatThrownBy(() -> FIXED.with(CameraChannel.X, new Channel(many, 0))).hasMessageContaining("10000 keys");
        assertThatThrownBy(() -> FIXED.mounted(List.of(new Mount(5L, 1L), new Mount(5L, null)))).hasMessageContaining("twice");
    }

    @Test
    void keyingWithoutChoosingKeysWhatMovesAndPlaceAndTurnOfAFixedOne() {
        Camera keyed = SetValues.key(DOLLY, 1020, List.of(), Easing.THROUGH);
        assertThat(frames(keyed, CameraChannel.X)).containsExactly(1001L, 1020L, 1040L);
        assertThat(frames(keyed, CameraChannel.LENS)).isEmpty();
        assertThat(keyed.keyed(CameraChannel.X, Rational.of(1020))).isEqualTo(DOLLY.keyed(CameraChannel.X, Rational.of(1020)));
        assertThat(SetValues.key(FIXED, 1001, List.of(), Easing.EASED).keyCount()).isEqualTo(6);
        assertThat(SetValues.key(DOLLY, 1001, List.of(), Easing.STEPPED)).as("a key that is there stays as it is").isEqualTo(DOLLY);
    }

    @Test
    void keysOfSeveralChannelsMoveAndScaleOntoWholeFrames() {
        Camera both = set(DOLLY, 1001, CameraChannel.LENS, 50, Reach.HERE);
        Set<KeyPlace> chosen = Set.of(new KeyPlace(CameraChannel.X, 1040), new KeyPlace(CameraChannel.LENS, 1001));
        Camera moved = KeyEdits.move(both, chosen, -3);
        assertThat(frames(moved, CameraChannel.X)).containsExactly(1001L, 1037L);
        assertThat(frames(moved, CameraChannel.LENS)).containsExactly(998L);
        Camera scaled = KeyEdits.scale(DOLLY, KeyEdits.at(DOLLY, 1040), 1001, Rational.of(2, 3));
        assertThat(frames(scaled, CameraChannel.X)).containsExactly(1001L, 1027L);
        Set<KeyPlace> all = Set.of(new KeyPlace(CameraChannel.X, 1001), new KeyPlace(CameraChannel.X, 1040));
        assertThatThrownBy(() -> KeyEdits.scale(DOLLY, all, 1001, Rational.of(1, 1000))).hasMessageContaining("Two keys of x");
        assertThatThrownBy(() -> KeyEdits.scale(DOLLY, all, 1001, Rational.of(-1))).hasMessageContaining("above 0");
    }

    @Test
    void aMovedKeyWinsOverOneThatIsThere() {
        Camera moved = KeyEdits.move(DOLLY, Set.of(new KeyPlace(CameraChannel.X, 1001)), 39);
        assertThat(moved.channel(CameraChannel.X).keys()).extracting(Key::value).containsExactly(2.0);
        assertThatThrownBy(() -> KeyEdits.move(DOLLY, Set.of(new KeyPlace(CameraChannel.X, 1002)), 1))
                .hasMessageContaining("no key of x at frame 1002");
    }

    @Test
    void copiedKeysAreLaidFromAFrameOn() {
        Map<CameraChannel, List<Key>> copied = Map.of(CameraChannel.X, DOLLY.channel(CameraChannel.X).keys(), CameraChannel.PAN,
                List.of(new Key(1011, 30, Easing.EASED)));
        Camera pasted = KeyEdits.paste(FIXED, copied, 2000);
        assertThat(frames(pasted, CameraChannel.X)).containsExactly(2000L, 2039L);
        assertThat(frames(pasted, CameraChannel.PAN)).containsExactly(2010L);
        assertThatThrownBy(() -> KeyEdits.paste(FIXED, Map.of(), 5)).hasMessageContaining("copy them first");
    }

    @Test
    void theLastKeyTakenAwayLeavesItsValue() {
        Camera left = KeyEdits.remove(DOLLY, Set.of(new KeyPlace(CameraChannel.X, 1001), new KeyPlace(CameraChannel.X, 1040)));
        assertThat(left.channel(CameraChannel.X).keys()).isEmpty();
        assertThat(left.keyed(CameraChannel.X, Rational.of(7))).isIn(2.0, 8.0);
        assertThat(KeyEdits.value(DOLLY, new KeyPlace(CameraChannel.X, 1040), 9).keyed(CameraChannel.X, Rational.of(1040)))
                .isCloseTo(9, within(0.0));
    }
}
