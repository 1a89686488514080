package freshsplice.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Source;
import freshsplice.core.master.Clip;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** What is said before a change is applied is what it does, and what the shot has is what its camera has. */
class ShotImpactTest {
    private static final int HANDLES = 8;
    private static final Camera UNSTAGED = Camera.named("c", FilmBack.SUPER_35);

    private final EditRoom room = EditRoom.with(new Random(11), 4);
    private FirstMaster.MasterWithShots made;

    private Turnover turnover() {
        if (made == null) {
            made = FirstMaster.of(room.cut(), Conform.plan(room.cut(), ConformChoices.of(ShotNumbering.DEFAULT)), HANDLES);
        }
        return Turnover.of(made.master(), id -> null, made.shots().stream().collect(Collectors.toMap(Shot::id,
                Function.identity())), CutClips.joined(room.cut(), seam -> false), new Origins(), Turnover.Sources.NONE, HANDLES,
                (a, b) -> false);
    }

    private ShotImpact demand(Camera camera) {
        Turnover turnover = turnover();
        return ShotImpact.of(change(turnover), turnover, camera);
    }

    private static Change change(Turnover turnover) {
        return turnover.changes().changes().stream().filter(c -> c.kind() != ChangeKind.SHIFTED).findFirst().orElseThrow();
    }

    private static Camera keyed(long... frames) {
        return UNSTAGED.with(CameraChannel.X, new Channel(LongStream.of(frames).mapToObj(f -> new Key(f, f,
                Easing.STRAIGHT)).toList(), 0));
    }

    @Test
    @DisplayName("frames past the handle are covered where the camera has keys over them, or stands still")
    void handlesAreWhatTheCameraHas() {
        turnover();
        room.trim(1, 14, 0);
        assertThat(demand(UNSTAGED).past()).isEqualTo(6);
        assertThat(demand(UNSTAGED).needs()).isEqualTo(Impact.CAMERA);
        assertThat(ChangeWords.asks(change(turnover()), demand(UNSTAGED))).isEqualTo("camera: 6 more frames");
        assertThat(demand(keyed(980, 1100)).past()).isZero();
        assertThat(demand(keyed(980, 1100)).needs()).isEqualTo(Impact.HANDLES);
        assertThat(demand(keyed(990, 1010)).past()).isEqualTo(3);
        assertThat(demand(keyed(1020)).needs()).as("it stands still").isEqualTo(Impact.HANDLES);
    }

    @Test
    @DisplayName("a retime says the speeds, and shows before what applying shows after")
    void aRetimeIsShownAsItIsApplied() {
        turnover();
        long length = made.master().main().clips().get(1).record().length();
        room.retime(1, Rational.of(2));
        ShotImpact demand = demand(keyed(1001, 1001 + 2 * length));
        assertThat(ChangeWords.what(change(turnover()), demand)).isEqualTo("speed 100 % to 200 %");
        assertThat(ChangeWords.what(change(turnover()), new ShotImpact(demand.needs(), demand.shown(), demand.covered(), 0, Rational.ONE,
                Rational.ONE))).isEqualTo("another course of its speed, 100 % on average");
        assertThat(demand.shown()).isEqualTo(FrameRange.of(1001, 1001 + 2 * length - 1));
        assertThat(demand.needs()).isEqualTo(Impact.RENDER);
        Turnover turnover = turnover();
        Clip applied = Applying.apply(turnover, Set.of(turnover.changes().changes().indexOf(change(turnover))), 1001).master()
                .main().clips().get(1);
        assertThat(applied.at(applied.record().in()).floor()).isEqualTo(demand.shown().in());
        assertThat(applied.at(applied.record().last()).floor()).isEqualTo(demand.shown().last());
    }

    @Test
    @DisplayName("one of our own shots that the cut shows again asks for no shot, camera or board: for nothing, or for the frames that its camera has not")
    void ownShotAgain() {
        turnover();
        FrameRange record = FrameRange.of(0, 20);
        Source ours = Source.named("sh0020", "sh0020", FrameRate.FPS_24);
        for (long from : new long[] {1001, 1300}) {
            Event event = Event.clip(null, "sh0020", record, ours, TimeMap.constant(record, Rational.of(from), Rational.ONE));
            Origins origins = new Origins();
            made.shots().forEach(s -> origins.shot(s.code(), s.id()));
            Turnover turnover = Turnover.of(made.master().withMain(List.of()), id -> null, made.shots().stream().collect(Collectors.toMap(Shot::id, Function.identity())), CutClips.joined(Cuts.of(Cuts.track(event)), seam -> false),
                    origins, Turnover.Sources.NONE, 8, (a, b) -> false);
            Change again = turnover.changes().changes().get(0);
            assertThat(again.kind()).isEqualTo(ChangeKind.NEW);
            ShotImpact demand = ShotImpact.of(again, turnover, keyed(1001, 1050));
            assertThat(ChangeWords.asks(again, demand)).isEqualTo(from == 1001 ? "nothing" : "camera: 20 more frames");
            assertThat(turnover.ourShotOf(again)).map(Shot::code).contains("sh0020");
        }
    }

    @Test
    void speedsAreReadInPercent() {
        assertThat(ChangeWords.percent(Rational.of(136_654_737, 135_625_000))).isEqualTo("100.76 %");
        assertThat(ChangeWords.percent(Rational.of(-1, 2))).isEqualTo("−50 %");
        assertThat(ChangeWords.percent(Rational.ZERO)).isEqualTo("0 %");
    }
}
