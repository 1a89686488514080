package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PicturePlanTest {
    private static final Camera CAMERA = Camera.named("cam", FilmBack.FULL_FRAME);

    private static Shot shot(long id, String code) {
        return new Shot(id, code, FrameRange.of(1001, 1101), 8, 0, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true));
    }

    private static FilmedShot filmed(long id, String code) {
        return new FilmedShot(shot(id, code), CAMERA, new Stage(List.of()));
    }

    private static Clip content(long id, Clip.Content content, long in, long out) {
        return Clip.ofShot(id, 1, FrameRange.of(in, out), Rational.of(5)).showing(content, Rational.of(5));
    }

    private static PicturePlan plan(Clip... clips) {
        Master master = new Master(3, "m", FrameRate.FPS_24, false, 86_400, List.of(Track.of("main", List.of(clips))));
        return PicturePlan.ofMaster("m_v001", master, 100, FrameRate.FPS_24, Map.of(), Map.of(1L, filmed(1, "sh0010"), 2L, filmed(2, "sh0020")));
    }

    @Test
    void aRetimedShotIsFilmedBetweenItsFramesAndSaysTheFrameThatContainsIt() {
        RenderRange range = new RenderRange(Rational.of(1009), Rational.of(1, 2), 10);
        PicturePlan plan = PicturePlan.ofShot("sh0010_v003", filmed(1, "sh0010"), range, FrameRate.FPS_24, FrameRate.FPS_24, false);
        PicturePlan.Picture third = plan.at(3);
        assertThat(third.layers()).containsExactly(new PicturePlan.Layer(
                new PicturePlan.Source.OfCamera(filmed(1, "sh0010"), Rational.of(2021, 2), Rational.of(1, 2)), 1));
        // 1009 frames at 24: 42 seconds and a frame; the third after it
        assertThat(third.facts()).isEqualTo(new PicturePlan.Facts("sh0010_v003", "sh0010", 1010L, "00:00:42:04"));
        assertThat(plan.startLabel()).isEqualTo("00:00:42:01");
        assertThat(plan.frames()).isEqualTo(10);
    }

    @Test
    void aDissolveIsTwoLayersWhoseWeightsRise() {
        Clip first = Clip.ofShot(11, 1, FrameRange.of(86_400, 86_424), Rational.of(1001));
        Clip second = Clip.ofShot(12, 2, FrameRange.of(86_424, 86_448), Rational.of(1001))
                .withTransitions(new Transition(Transition.Kind.DISSOLVE, 4, 4), null);
        PicturePlan plan = plan(first, second);
        double before = 0;
        for (long k = 20; k < 28; k++) {
            List<PicturePlan.Layer> layers = plan.at(k).layers();
            assertThat(layers).as("frame %d", k).hasSize(2);
            assertThat(((PicturePlan.Source.OfCamera) layers.get(0).source()).filmed().shot().id()).isEqualTo(1);
            assertThat(((PicturePlan.Source.OfCamera) layers.get(1).source()).filmed().shot().id()).isEqualTo(2);
            assertThat(layers.get(1).weight()).isGreaterThan(before).isLessThan(1);
            before = layers.get(1).weight();
        }
        assertThat(plan.at(19).layers()).hasSize(1);
        assertThat(plan.at(28).layers()).hasSize(1);
        assertThat(plan.at(28).facts()).isEqualTo(new PicturePlan.Facts("m_v001", "sh0020", 1005L, "01:00:01:04"));
    }

    @Test
    void slatesRendersAndBlackAreNamedAsTheyAre() {
        PicturePlan plan = plan(content(11, new Clip.Content.Slate("to come"), 86_400, 86_410),
                content(12, new Clip.Content.OfRender(77), 86_410, 86_420), content(13, new Clip.Content.Black(), 86_420, 86_430));
        assertThat(plan.at(0).layers().get(0).source()).isEqualTo(new PicturePlan.Source.OfWords("to come"));
        assertThat(plan.at(12).layers().get(0).source()).isEqualTo(new PicturePlan.Source.OfRender(77, 7));
        assertThat(plan.at(25).layers().get(0).source()).isEqualTo(new PicturePlan.Source.Black());
        assertThat(plan.at(40).layers()).isEmpty();
        assertThat(plan.at(40).facts().shot()).isEqualTo("black");
        assertThat(plan.at(0).facts().timecode()).isEqualTo("01:00:00:00");
    }
}
