package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.board.BoardFit;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FrameOrdersTest {
    private static final Shot SHOT = new Shot(1, "sh0010", FrameRange.of(1001, 1041), 8, 0,
            new Shot.Anchor("k", "k", 1001, Rational.ZERO, Rational.ONE, false));
    private static final Camera MOVING = Camera.named("c", FilmBack.SUPER_35).with(CameraChannel.X, new Channel(
            List.of(new Key(1001, 0, Easing.STRAIGHT), new Key(1041, 40, Easing.STRAIGHT)), 0)).with(CameraChannel.LENS, Channel.constant(35));
    private static final Camera UNTOUCHED = Camera.named("c", FilmBack.SUPER_35);
    private static final ShotBoard BOARD = ShotBoard.ofFile("board 7", new MediaFrames(0, 40), BoardFit.PLAIN, 4 / 3.0);

    private static Recipe recipe(int shutter, int board, Recipe.Unstaged unstaged, List<BurnIn> burnIn) {
        Recipe recipe = Recipe.of(new FrameLook(1280, 720, 100, FrameLook.Edges.QUICK, shutter, 4, false, board), burnIn, OutputKind.H264);
        return new Recipe(recipe.look(), burnIn, "first look", null, true, unstaged, recipe.outputs(), recipe.movieName(), recipe.runName());
    }

    private static FrameOrders orders(Recipe recipe, RenderRange range) {
        PicturePlan plan = PicturePlan.ofShot("sh0010_v003", new FilmedShot(SHOT, MOVING, new Stage(List.of())), range, FrameRate.FPS_24, FrameRate.FPS_24, false);
        return new FrameOrders(plan, recipe, false, new FrameOrders.Names(Map.of(1L, BOARD), Map.of(), Map.of(1L, "Pier"), "Ada", "2026-11-27", null));
    }

    private static List<FrameOrder.Moment> moments(FrameOrder order) {
        return ((FrameOrder.Source.OfSet) order.layers().get(0).source()).moments();
    }

    @Test
    void withoutBlurOfMovementAFrameIsOneMoment() {
        FrameOrder third = orders(recipe(0, 0, Recipe.Unstaged.CAMERA, List.of()), new RenderRange(Rational.of(1001), Rational.of(1, 2), 9)).at(3);
        Bake.Frame expected = Bake.of(SHOT, MOVING, new Stage(List.of()), new RenderRange(Rational.of(2005, 2), Rational.ONE, 1), 16 / 9.0).frame(0);
        assertThat(moments(third)).hasSize(1);
        assertThat(moments(third).get(0).view()).isEqualTo(expected.view());
        assertThat(moments(third).get(0).projection()).isEqualTo(expected.projection());
    }

    /** A shutter of 180° is open for half a frame (common practice): a camera of a metre a frame is seen over half a metre. */
    @Test
    void momentsLieEvenlyOverTheTimeThatTheShutterIsOpen() {
        FrameOrder tenth = orders(recipe(180, 0, Recipe.Unstaged.CAMERA, List.of()), new RenderRange(Rational.of(1001), Rational.ONE, 40)).at(10);
        assertThat(moments(tenth)).extracting(m -> -m.view()[12]).containsExactly(9.8125f, 9.9375f, 10.0625f, 10.1875f);
        FrameOrder slow = orders(recipe(180, 0, Recipe.Unstaged.CAMERA, List.of()), new RenderRange(Rational.of(1001), Rational.of(1, 2), 40)).at(20);
        assertThat(moments(slow)).extracting(m -> -m.view()[12]).as("at half the speed half as far").containsExactly(9.90625f, 9.96875f, 10.03125f,
                10.09375f);
    }

    @Test
    void aBoardIsLaidOverAtTheShotsOwnFrame() {
        FrameOrder fifth = orders(recipe(0, 40, Recipe.Unstaged.CAMERA, List.of()), new RenderRange(Rational.of(1001), Rational.ONE, 40)).at(5);
        assertThat(fifth.layers()).hasSize(2);
        assertThat(fifth.layers().get(1).weight()).isEqualTo(0.4);
        FrameOrder.Source.OfBoard board = (FrameOrder.Source.OfBoard) fifth.layers().get(1).source();
        assertThat(board.frame()).isEqualTo(5);
        assertThat(board.place().width()).as("4:3 in 16:9 is three quarters as wide").isEqualTo(0.75);
    }

    private static FrameOrder unstaged(Recipe.Unstaged how, Map<Long, ShotBoard> boards) {
        Master master = new Master(3, "m", FrameRate.FPS_24, false, 86_400, List.of(Track.of("main",
                List.of(Clip.ofShot(1, 1, FrameRange.of(86_400, 86_440), Rational.of(1001))))));
        PicturePlan plan = PicturePlan.ofMaster("m_v001", master, 40, FrameRate.FPS_24, Map.of(), Map.of(1L, new FilmedShot(SHOT, UNTOUCHED, new Stage(List.of()))));
        return new FrameOrders(plan, recipe(0, 0, how, List.of()), true, new FrameOrders.Names(boards, Map.of(), Map.of(), "", "", null)).at(7);
    }

    @Test
    void inAWholeMasterAShotThatNobodyStagedIsWhatTheRecipeSaysAndMarked() {
        assertThat(unstaged(Recipe.Unstaged.BOARD, Map.of(1L, BOARD)).layers().get(0).source()).isInstanceOfSatisfying(
                FrameOrder.Source.OfBoard.class, b -> assertThat(b.frame()).isEqualTo(7));
        assertThat(unstaged(Recipe.Unstaged.BOARD, Map.of()).layers().get(0).source()).isEqualTo(new FrameOrder.Source.OfWords("sh0010"));
        assertThat(unstaged(Recipe.Unstaged.SLATE, Map.of(1L, BOARD)).layers().get(0).source()).isEqualTo(new FrameOrder.Source.OfWords("sh0010"));
        assertThat(unstaged(Recipe.Unstaged.BLACK, Map.of(1L, BOARD)).layers().get(0).source()).isEqualTo(new FrameOrder.Source.Black());
        assertThat(unstaged(Recipe.Unstaged.CAMERA, Map.of(1L, BOARD)).layers().get(0).source()).isInstanceOf(FrameOrder.Source.OfSet.class);
        assertThat(unstaged(Recipe.Unstaged.BOARD, Map.of(1L, BOARD)).lines()).containsExactly(
                new FrameOrder.Line(BurnIn.Corner.TOP_LEFT, "sh0010 not staged"));
    }

    @Test
    void whatIsBurntInStandsWhereItWasPutInThatOrder() {
        List<BurnIn> all = List.of(new BurnIn(BurnIn.Field.SHOT, BurnIn.Corner.BOTTOM_LEFT), new BurnIn(BurnIn.Field.VERSION, BurnIn.Corner.BOTTOM_LEFT),
                new BurnIn(BurnIn.Field.FRAME, BurnIn.Corner.BOTTOM_RIGHT), new BurnIn(BurnIn.Field.TIMECODE, BurnIn.Corner.BOTTOM_RIGHT),
                new BurnIn(BurnIn.Field.LENS, BurnIn.Corner.TOP_LEFT), new BurnIn(BurnIn.Field.SCENE, BurnIn.Corner.TOP),
                new BurnIn(BurnIn.Field.WHO, BurnIn.Corner.TOP_RIGHT), new BurnIn(BurnIn.Field.DATE, BurnIn.Corner.TOP_RIGHT),
                new BurnIn(BurnIn.Field.TEXT, BurnIn.Corner.BOTTOM));
        assertThat(orders(recipe(0, 0, Recipe.Unstaged.CAMERA, all), new RenderRange(Rational.of(1001), Rational.ONE, 40)).at(2).lines())
                .extracting(l -> l.corner() + ": " + l.text()).containsExactly("BOTTOM_LEFT: sh0010  v003", "BOTTOM_RIGHT: 1003  00:00:41:19",
                "TOP_LEFT: 35 mm", "TOP: Pier", "TOP_RIGHT: Ada  2026-11-27", "BOTTOM: first look");
    }
}
