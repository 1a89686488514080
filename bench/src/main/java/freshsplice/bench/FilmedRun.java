package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.FilmedRuns;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What the movie of a long master films, told frame by frame: it is asked when somebody looks at the renders after an edit. */
final class FilmedRun {
    private static final int SHOTS = 2000;
    private static final int FRAMES = 40;
    private static final int THINGS = 40;
    private static final int MOVING = 4;
    private static final int TIMES = 3;

    private FilmedRun() {
    }

    static void run() throws Exception {
        Map<Long, FilmedShot> filmed = new HashMap<>();
        Master master = master(filmed);
        PicturePlan plan = PicturePlan.ofMaster("bench_v001", master, (long) SHOTS * FRAMES, FrameRate.FPS_24, Map.of(), filmed);
        double middle = Times.of(1, TIMES, () -> FilmedRuns.of(plan).digest(false)).middle();
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms%n", "what " + SHOTS + " shots of " + FRAMES + " frames film of " + THINGS + " things", middle);
    }

    private static Master master(Map<Long, FilmedShot> filmed) {
        Stage stage = new Stage(BakeRun.things(THINGS, MOVING, SHOTS * FRAMES));
        List<Clip> clips = new ArrayList<>();
        for (long i = 0; i < SHOTS; i++) {
            Camera camera = Camera.named("bench", FilmBack.SUPER_35).with(CameraChannel.PAN, new Channel(List.of(new Key(1001, i, Easing.EASED),
                    new Key(1041, i + 30, Easing.EASED)), 0));
            filmed.put(i + 1, new FilmedShot(new Shot(i + 1, "sh" + i, FrameRange.ofLength(1001, FRAMES), 8, i * FRAMES - 1001,
                    new Shot.Anchor("", "", 0, Rational.ZERO, Rational.ONE, true)), camera, stage));
            clips.add(Clip.ofShot(i + 1, i + 1, FrameRange.ofLength(i * FRAMES, FRAMES), Rational.of(1001)));
        }
        return new Master(1, "bench", FrameRate.FPS_24, false, 0, List.of(Track.of("picture", clips)));
    }
}
