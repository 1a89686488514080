package freshsplice.server.renders;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.motion.Channel;
import freshsplice.core.render.Finding;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.demo.DemoStage;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class LookFirstTest {
    private static final double WIDE = 16 / 9.0;
    private final LookFirst lookFirst = new LookFirst();
    private final Stage stage = DemoStage.stage();
    private final long subject = stage.items().get(0).id();

    @Test
    void manyShotsAreLookedAtSomeAtATimeUntilAllWere() {
        List<FilmedShot> shots = shots(150, 40);
        assertThat(lookFirst.of(shots, WIDE).unlooked()).isEqualTo(90);
        assertThat(lookFirst.of(shots, WIDE).unlooked()).isEqualTo(30);
        LookFirst.Looks last = lookFirst.of(shots, WIDE);
        assertThat(last.unlooked()).isZero();
        assertThat(last.findings()).isEqualTo(shots.stream().flatMap(s -> Finding.of(s, WIDE).stream()).toList());
        assertThat(last.findings()).extracting(Finding::shotId).contains(1L, 150L);
    }

    @Test
    void aShotIsLookedAtAgainWhenItsCameraChanged() {
        List<FilmedShot> before = shots(1, 40);
        List<FilmedShot> after = shots(1, 41);
        lookFirst.of(before, WIDE);
        assertThat(lookFirst.of(after, WIDE).findings()).isEqualTo(Finding.of(after.get(0), WIDE));
    }

    @Test
    void whatIsSeenOnTheWayComesBeforeTheManyThatNobodyTouched() {
        List<FilmedShot> shots = new ArrayList<>();
        LongStream.range(500, 700).forEach(id -> shots.add(filmed(id, Camera.named("untouched", FilmBack.SUPER_35))));
        shots.addAll(shots(2, 40));
        List<Finding> findings = lookFirst.of(shots, WIDE).findings();
        assertThat(findings.get(0).shotId()).isEqualTo(1);
        assertThat(findings.subList(findings.size() - 200, findings.size())).extracting(Finding::words).containsOnly("camera never touched");
    }

    @Test
    void camerasThatNobodyTouchedAreAllNamedAtOnce() {
        List<FilmedShot> shots = LongStream.rangeClosed(1, 200).mapToObj(id -> filmed(id, Camera.named("untouched", FilmBack.SUPER_35))).toList();
        LookFirst.Looks looked = lookFirst.of(shots, WIDE);
        assertThat(looked.unlooked()).isZero();
        assertThat(looked.findings()).hasSize(200);
    }

    /** Cameras that look away from what they keep their focus on. */
    private List<FilmedShot> shots(int count, double away) {
        return LongStream.rangeClosed(1, count).mapToObj(id -> {
            Camera camera = Camera.named("camera " + id, FilmBack.SUPER_35).with(CameraChannel.X, Channel.constant(away))
                    .with(CameraChannel.Y, Channel.constant(30)).with(CameraChannel.TILT, Channel.constant(80));
            return filmed(id, camera.focused(new Aim(subject, 0, 0, 0, 0)));
        }).toList();
    }

    private FilmedShot filmed(long id, Camera camera) {
        Shot shot = new Shot(id, "s" + id, FrameRange.of(0, 8), 0, 0, new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true));
        return new FilmedShot(shot, camera, stage);
    }
}
