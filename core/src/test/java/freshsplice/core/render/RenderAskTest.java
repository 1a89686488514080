package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.delivery.Cover;
import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.SeenClip;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.ItemChannel;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class RenderAskTest {
    private static final FrameRange CUT = FrameRange.of(1001, 1041);

    private static SeenClip clip(long record, long from, long frames, Rational speed) {
        FrameRange range = FrameRange.ofLength(record, frames);
        return new SeenClip(new Clip(1, new Clip.Content.OfShot(1), range, Rational.of(from), speed, true, null, null), range);
    }

    private static SeenClip clip(long record, long from, long frames) {
        return clip(record, from, frames, Rational.ONE);
    }

    private static ShotRenders renders(RenderRange... ranges) {
        List<FinishedRender> all = new ArrayList<>();
        for (RenderRange range : ranges) {
            all.add(new FinishedRender(all.size() + 1, 1, new RenderName("sh0010", all.size() + 1), Grade.DRAFT, "f", range, 0));
        }
        return ShotRenders.of(all, g -> true);
    }

    private static final ShotRenders NONE = ShotRenders.NONE;
    /** Its frame 1001 is the action's frame 101. */
    private static final Shot SHOT = new Shot(1, "sh0010", CUT, 8, -900, null);
    private static final FrameRange ACTION = FrameRange.of(50, 250);

    private static ShotFrames of(List<SeenClip> clips) {
        return new ShotFrames(SHOT, ACTION, clips);
    }

    private static List<RenderRange> asked(RenderAsk.Extent extent, int handles, int every) {
        return new RenderAsk(extent, handles, every).ranges(of(List.of(clip(0, 1001, 20))), NONE);
    }

    @Test
    @DisplayName("a camera over the whole action, and one picture of it: first, middle, last, or at a moment that is one for all cameras")
    void actionAndStills() {
        assertThat(asked(new RenderAsk.Extent.Action(), 0, 1)).containsExactly(range(950, 200));
        assertThat(asked(new RenderAsk.Extent.Action(), 10, 1)).containsExactly(range(940, 220));
        assertThat(asked(new RenderAsk.Extent.Still(RenderAsk.When.FIRST), 10, 3)).as("nothing to spare, no nth").containsExactly(range(1001, 1));
        assertThat(asked(new RenderAsk.Extent.Still(RenderAsk.When.MIDDLE), 0, 1)).containsExactly(range(1021, 1));
        assertThat(asked(new RenderAsk.Extent.Still(RenderAsk.When.LAST), 0, 1)).containsExactly(range(1040, 1));
        assertThat(asked(new RenderAsk.Extent.Moment(120), 0, 1)).containsExactly(range(1020, 1));
    }

    @Test
    @DisplayName("the action of a scene is all that its shots show and its things do")
    void actionOfAScene() {
        Shot later = new Shot(2, "sh0020", FrameRange.of(1001, 1101), 0, -700, null);
        Item gull = new Item(1, "gull", new Geometry.Figure(Shape.GULL, "#ffffff"), 1, 1, 1, Map.of(ItemChannel.X, new Channel(List.of(
                new Key(20, 0, Easing.STRAIGHT), new Key(90, 5, Easing.STRAIGHT)), 0)));
        Item standing = new Item(2, "block", gull.geometry(), 1, 1, 1, Map.of(ItemChannel.X, new Channel(List.of(new Key(9000, 1, Easing.STRAIGHT)), 0)));
        assertThat(ShotFrames.action(List.of(SHOT, later), new Stage(List.of()))).isEqualTo(FrameRange.of(101, 401));
        assertThat(ShotFrames.action(List.of(SHOT, later), new Stage(List.of(gull, standing)))).isEqualTo(FrameRange.of(20, 401));
    }

    @Test
    @DisplayName("single pictures are written as pictures: as the recipe's, else as PNG")
    void stillsArePictures() {
        FrameLook look = new FrameLook(64, 36, 100, FrameLook.Edges.QUICK, 0, 8, false, 0);
        assertThat(Recipe.of(look, List.of(), OutputKind.H264).forStills().written()).extracting(Output::kind).containsExactly(OutputKind.PNG8);
        assertThat(Recipe.of(look, List.of(), OutputKind.EXR).forStills().written()).extracting(Output::kind).containsExactly(OutputKind.EXR);
        assertThat(Recipe.of(look, List.of(), OutputKind.H264).with(List.of(Output.of(OutputKind.PRORES))).forStills().written())
                .extracting(Output::kind).containsExactly(OutputKind.PNG8);
    }

    private static RenderRange range(long from, long frames) {
        return new RenderRange(Rational.of(from), Rational.ONE, frames);
    }

    @Test
    @DisplayName("a shot seen in two places near each other gets one render of both, in places far apart one each")
    void clips() {
        assertThat(RenderAsk.CLIPS.ranges(of(List.of(clip(0, 1001, 20), clip(100, 1030, 11))), NONE))
                .containsExactly(range(1001, 40));
        assertThat(RenderAsk.CLIPS.ranges(of(List.of(clip(0, 1101, 20), clip(100, 1001, 11))), NONE))
                .containsExactly(range(1101, 20), range(1001, 11));
        assertThat(RenderAsk.CLIPS.ranges(of(List.of(clip(0, 1001, 20), clip(100, 1011, 20, Rational.of(1, 2)))), NONE))
                .as("at half the speed it has frames of its own").hasSize(2);
        assertThat(RenderAsk.CLIPS.ranges(of(List.of()), NONE)).containsExactly(range(1001, 40));
    }

    @Test
    void clipsBetweenTwoJoinThem() {
        assertThat(RenderAsk.together(List.of(range(1001, 10), range(1101, 10), range(1012, 88)), 2)).containsExactly(range(1001, 110));
    }

    @Test
    void heldFramesOfOnePositionAreOneRender() {
        RenderRange held = new RenderRange(Rational.of(1005), Rational.ZERO, 12);
        assertThat(RenderAsk.together(List.of(held, held.part(0, 30)), 24)).containsExactly(held.part(0, 30));
    }

    @Test
    void clipsOfOneBentCourseAreOneRender() {
        Clip whole = clip(0, 1001, 60).clip().withRetimeKeys(FrameRange.of(0, 60), List.of(
                new RetimeKey(Rational.ZERO, Rational.of(1001), RetimeInterpolation.EASED), new RetimeKey(Rational.of(60), Rational.of(1100), RetimeInterpolation.STRAIGHT)));
        Clip first = whole.over(FrameRange.of(0, 25));
        Clip second = whole.over(FrameRange.of(25, 60)).shiftedBy(300);
        List<RenderRange> ranges = RenderAsk.CLIPS.ranges(of(List.of(new SeenClip(second, second.record()),
                new SeenClip(first, first.record()))), NONE);
        assertThat(ranges).singleElement().satisfies(r -> {
            assertThat(r.frames()).isEqualTo(60);
            for (long k = 0; k < 60; k++) {
                assertThat(r.positionOf(k)).isEqualTo(whole.at(k));
            }
        });
    }

    @Test
    void handlesAndEveryNth() {
        RenderAsk ask = new RenderAsk(new RenderAsk.Extent.Clips(), 8, 1);
        assertThat(ask.ranges(of(List.of(clip(0, 1001, 40))), NONE)).containsExactly(range(993, 56));
        RenderAsk thirds = new RenderAsk(new RenderAsk.Extent.Range(FrameRange.of(1001, 1041)), 0, 3);
        assertThat(thirds.ranges(of(List.of()), NONE)).containsExactly(range(1001, 40));
        assertThat(thirds.drawn(range(1001, 40))).isEqualTo(new RenderRange(Rational.of(1001), Rational.of(3), 14));
        assertThat(thirds.held()).isEqualTo(3);
        assertThat(thirds.drawn(range(1001, 40)).filled(Rational.of(3), 40)).isEqualTo(range(1001, 40));
        RenderRange fifty = range(1001, 40).at(FrameRate.FPS_25, FrameRate.FPS_50);
        assertThat(fifty.filled(FrameRate.FPS_50.framesOf(FrameRate.FPS_25), 40)).isEqualTo(range(1001, 40));
    }

    @Test
    @DisplayName("25 to 100 frames/s is four times the frames, each at its own moment (trade rules: renders)")
    void anotherRate() {
        RenderRange fast = range(1001, 40).at(FrameRate.FPS_25, FrameRate.of(100, 1));
        assertThat(fast.frames()).isEqualTo(160);
        assertThat(fast.positionOf(3)).isEqualTo(Rational.of(4007, 4));
    }

    @Test
    void whatIsMissingIsDrawnAndNothingElse() {
        RenderAsk missing = new RenderAsk(new RenderAsk.Extent.Missing(), 0, 1);
        List<SeenClip> clips = List.of(clip(0, 1001, 40));
        assertThat(missing.ranges(of(clips), renders(range(1001, 15), range(1026, 40)))).containsExactly(range(1016, 10));
        assertThat(missing.ranges(of(clips), renders(range(990, 80)))).isEmpty();
        assertThat(missing.ranges(of(clips), NONE)).containsExactly(range(1001, 40));
    }

    @Test
    @DisplayName("over any clips and renders: what is drawn as missing leaves nothing missing, and no frame twice")
    void missingThenCovered() {
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            List<SeenClip> clips = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                clips.add(clip(i * 200L, 1001 + random.nextInt(120), 1 + random.nextInt(50),
                        random.nextInt(4) == 0 ? Rational.of(-1) : random.nextInt(4) == 0 ? Rational.of(3, 2) : Rational.ONE));
            }
            List<RenderRange> have = new ArrayList<>();
            for (int i = 0; i < random.nextInt(5); i++) {
                have.add(range(990 + random.nextInt(150), 1 + random.nextInt(60)));
            }
            List<RenderRange> missing = new RenderAsk(new RenderAsk.Extent.Missing(), 0, 1).ranges(of(clips),
                    renders(have.toArray(RenderRange[]::new)));
            have.addAll(missing);
            ShotRenders all = renders(have.toArray(RenderRange[]::new));
            for (SeenClip clip : clips) {
                Cover cover = all.cover(clip);
                assertThat(cover.missing()).as("seed %d", seed).isEmpty();
                assertThat(cover.covered()).as("seed %d", seed).isEqualTo(clip.seen().length());
                long at = clip.seen().in();
                for (Cover.Part part : cover.parts()) {
                    assertThat(part.record().in()).as("seed %d", seed).isEqualTo(at);
                    at = part.record().out();
                    for (long f = part.record().in(); f < at; f++) {
                        assertThat(part.render().range().positionOf(f - part.place().in())).as("seed %d, frame %d", seed, f)
                                .isEqualTo(clip.clip().at(f));
                    }
                }
            }
            for (int i = 0; i < missing.size(); i++) {
                for (int j = 0; j < i; j++) {
                    assertThat(missing.get(i).with(missing.get(j), 0)).as("seed %d: two that could be one", seed).isNull();
                }
            }
        }
    }

    @Test
    void theNewestThatHasAllOfItStandsForTheClip() {
        Cover cover = renders(range(1001, 40), range(995, 50), range(1010, 5)).cover(clip(0, 1001, 40));
        assertThat(cover.parts()).extracting(p -> p.render().name().version()).containsExactly(2);
    }

    @Test
    void whatCannotBeAskedForIsSaid() {
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Clips(), -1, 1)).isInstanceOf(Refusal.class)
                .hasMessage("Frames to spare are 0 to 1000, not -1");
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Clips(), 0, 0)).isInstanceOf(Refusal.class)
                .hasMessage("Every frame, or every 2nd to 1000th is drawn, not every 0th");
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Range(FrameRange.of(5, 5)), 0, 1)).isInstanceOf(Refusal.class);
    }
}
