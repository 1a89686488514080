package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a movie of a master films is told by its own frames: nothing else of a shot, of a camera or of a set changes it. */
class FilmedRunsTest {
    private static final Item AHEAD = block(1, "#ff0000", Channel.constant(-5));
    private static final Item BEHIND = block(2, "#00ff00", Channel.constant(5));
    private static final Camera STILL = Camera.named("cam", FilmBack.SUPER_35).with(CameraChannel.Y, Channel.constant(1)).with(CameraChannel.Z, Channel.constant(0));

    private static Item block(long id, String colour, Channel z) {
        return new Item(id, "block " + id, new Geometry.Figure(Shape.BLOCK, colour), 1, 1, 1, Map.of(ItemChannel.X, Channel.constant(0), ItemChannel.Z, z));
    }

    private static FilmedShot filmed(long id, Camera camera, long offset, Item... items) {
        return new FilmedShot(new Shot(id, "sh00" + id, FrameRange.of(1001, 1049), 8, offset, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true)), camera,
                new Stage(List.of(items)));
    }

    /** A master that shows frames 1011 to 1020 of shot 7, from its frame 1000 on. */
    private static Master master(Rational speed) {
        Clip clip = Clip.ofShot(1, 7, FrameRange.ofLength(1000, 10), Rational.of(1011)).timed(FrameRange.ofLength(1000, 10), Rational.of(1011), speed);
        return new Master(3, "reel", FrameRate.FPS_24, false, 1000, List.of(Track.of("picture", List.of(clip))));
    }

    private static FilmedRuns.Digest digest(Rational speed, FrameRate rate, FilmedShot shot) {
        long frames = rate.equals(FrameRate.FPS_24) ? 10 : 20;
        return FilmedRuns.of(PicturePlan.ofMaster("reel_v001", master(speed), frames, rate, Map.of(), Map.of(7L, shot, 8L, filmed(8, STILL, 0)))).digest(false);
    }

    private static FilmedRuns.Digest digest(FilmedShot shot) {
        return digest(Rational.ONE, FrameRate.FPS_24, shot);
    }

    private static Channel keyed(long frame, double value) {
        return new Channel(List.of(new Key(1001, -5, Easing.STRAIGHT), new Key(1020, -5, Easing.STRAIGHT), new Key(frame, value, Easing.STRAIGHT)), 0);
    }

    @Test
    void whatNoFrameSeesOrComesToChangesNothing() {
        FilmedRuns.Digest made = digest(filmed(7, STILL, 0, AHEAD, BEHIND));
        assertThat(digest(filmed(7, STILL, 0, AHEAD))).as("without what is behind").isEqualTo(made);
        assertThat(digest(filmed(7, STILL, 0, block(1, "#ff0000", keyed(1030, -9)), BEHIND))).as("it moves later").isEqualTo(made);
        Camera later = STILL.with(CameraChannel.LENS, new Channel(List.of(new Key(1020, 50, Easing.STRAIGHT), new Key(1040, 90, Easing.STRAIGHT)), 0));
        assertThat(digest(filmed(7, later, 0, AHEAD))).isEqualTo(digest(filmed(7, STILL.with(CameraChannel.LENS, Channel.constant(50)), 0, AHEAD)));
    }

    @Test
    void whatAFrameShowsChangesItsPart() {
        FilmedRuns.Digest made = digest(filmed(7, STILL, 0, AHEAD, BEHIND));
        FilmedRuns.Digest recoloured = digest(filmed(7, STILL, 0, block(1, "#ff0001", Channel.constant(-5)), BEHIND));
        assertThat(recoloured.inView()).isNotEqualTo(made.inView());
        assertThat(recoloured.cameras()).isEqualTo(made.cameras());
        FilmedRuns.Digest nearer = digest(filmed(7, STILL.with(CameraChannel.LENS, Channel.constant(85)), 0, AHEAD, BEHIND));
        assertThat(nearer.cameras()).isNotEqualTo(made.cameras());
    }

    @Test
    void aShotThatSlidesAlongTheActionShowsAnother() {
        Item moving = block(1, "#ff0000", new Channel(List.of(new Key(1001, -5, Easing.STRAIGHT), new Key(1100, -50, Easing.STRAIGHT)), 0));
        assertThat(digest(filmed(7, STILL, 12, moving)).inView()).isNotEqualTo(digest(filmed(7, STILL, 0, moving)).inView());
    }

    /** At half speed and at 48 pictures a second frames lie between those of the shot: what moves there alone is seen. */
    @Test
    void framesBetweenFramesAreSeen() {
        Item straight = block(1, "#ff0000", new Channel(List.of(new Key(1012, -5, Easing.STRAIGHT), new Key(1013, -9, Easing.STRAIGHT)), 0));
        Item eased = block(1, "#ff0000", new Channel(List.of(new Key(1012, -5, Easing.STEPPED), new Key(1013, -9, Easing.STEPPED)), 0));
        assertThat(digest(filmed(7, STILL, 0, straight))).isEqualTo(digest(filmed(7, STILL, 0, eased)));
        Rational half = Rational.of(1, 2);
        assertThat(digest(half, FrameRate.FPS_24, filmed(7, STILL, 0, straight))).isNotEqualTo(digest(half, FrameRate.FPS_24, filmed(7, STILL, 0, eased)));
        FrameRate twice = new FrameRate(Rational.of(48));
        assertThat(digest(Rational.ONE, twice, filmed(7, STILL, 0, straight))).isNotEqualTo(digest(Rational.ONE, twice, filmed(7, STILL, 0, eased)));
    }
}
