package freshsplice.bench;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.changes.ChangeList;
import freshsplice.core.changes.CutChanges;
import freshsplice.core.cut.Cut;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.SeamEdits;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.WriteOptions;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Reading, comparing, evaluating. Milliseconds an operation. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CoreBenchmarks {
    private InputFile list10;
    private InputFile list100;
    private Cut older;
    private Cut newer;
    private Camera camera;
    private Master master;

    @Setup
    public void prepare() {
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i < 100_000; i++) {
            clips.add(Clip.ofShot(i + 1L, i % 2000 + 1L, FrameRange.ofLength(i * 40L, 40), Rational.of(1001)));
        }
        master = new Master(1, "Bench", FrameRate.FPS_24, false, 0, List.of(Track.of("Shots", clips)));
        list10 = edl(10_000);
        list100 = edl(100_000);
        older = Inputs.cut(10_000, 0);
        newer = Inputs.cut(10_000, 50);
        camera = Camera.named("c", FilmBack.SUPER_35);
        for (CameraChannel channel : CameraChannel.values()) {
            List<Key> keys = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                keys.add(new Key(1001 + i * 50L, channel.plain() + i * 0.1, Easing.EASED));
            }
            camera = camera.with(channel, new Channel(keys, channel.plain()));
        }
    }

    private static InputFile edl(int events) {
        return new InputFile("bench.edl", Formats.writer("edl").write(Inputs.cut(events, 0), WriteOptions.DEFAULT)
                .bytes());
    }

    @Benchmark
    public Reading readEdlOf10000Events() {
        return Formats.read(list10, ReadOptions.at(FrameRate.FPS_24));
    }

    @Benchmark
    public Reading readEdlOf100000Events() {
        return Formats.read(list100, ReadOptions.at(FrameRate.FPS_24));
    }

    @Benchmark
    public ChangeList changes10000Against10000() {
        return CutChanges.between(older, newer, 8);
    }

    @Benchmark
    public double evaluate1000FramesOfACamera() {
        double sum = 0;
        PoseStack stack = PoseStack.of(camera, new Stage(List.of()));
        for (int f = 0; f < 1000; f++) {
            sum += stack.at(new Moment(Rational.of(1001 + f), Rational.of(f))).lens();
        }
        return sum;
    }

    @Benchmark
    public Master rollASeamOf100000Clips() {
        return SeamEdits.move(master, 0, 50_000 * 40L, 3);
    }

    @Benchmark
    public Master trimAndPushAlong100000Clips() {
        return Trims.tail(master, new Place(0, 50_000), 3, Following.MOVES_ALONG);
    }
}
