package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
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
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class AidsTest {
    private static Item block(ItemChannel channel, Key... keys) {
        return new Item(1, "block", new Geometry.Figure(Shape.BLOCK, "#ffffff"), 1, 1, 1, Map.of(channel, new Channel(List.of(keys), 0)));
    }

    private static FrameLook look(Aid... aids) {
        return new FrameLook(1280, 720, 100, FrameLook.Edges.QUICK, 0, 8, false, 0, List.of(aids));
    }

    /** SMPTE ST 2046-1: 93 % of width and height are safe for action, 90 % for titles: of 1920 x 1080 67.2 and 37.8, 96 and 54 are left. */
    @Test
    void safeAreasAreThoseOfTheStandard() {
        List<Aid.Stroke> strokes = Aid.SAFE_AREAS.strokes();
        assertThat(strokes).hasSize(8);
        assertThat(strokes.get(0).fromX() * 1920).isCloseTo(67.2, within(1e-9));
        assertThat(strokes.get(0).fromY() * 1080).isCloseTo(37.8, within(1e-9));
        assertThat(strokes.get(4).fromX() * 1920).isCloseTo(96, within(1e-9));
        assertThat(strokes.get(4).fromY() * 1080).isCloseTo(54, within(1e-9));
    }

    @Test
    void eachAidIsDrawnOnceAndNoneUnlessAskedFor() {
        assertThat(look(Aid.THIRDS, Aid.GRID, Aid.THIRDS).aids()).containsExactly(Aid.GRID, Aid.THIRDS);
        assertThat(new FrameLook(1280, 720, 100, FrameLook.Edges.QUICK, 0, 8, false, 0, null).aids()).as("what earlier versions kept").isEmpty();
        assertThat(SetLines.of(new Stage(List.of()), List.of(Aid.THIRDS)).isEmpty()).isTrue();
    }

    @Test
    void theGridHasALineEachMetreNearAndEachTenMetresFar() {
        SetLines grid = SetLines.of(new Stage(List.of()), List.of(Aid.GRID));
        Set<Float> near = new TreeSet<>();
        Set<Float> far = new TreeSet<>();
        for (int i = 0; i < grid.ends().length; i += 6) {
            assertThat(grid.ends()[i + 1]).isZero();
            if (grid.ends()[i] == grid.ends()[i + 3]) {
                (grid.ends()[i + 5] == 100 ? far : near).add(grid.ends()[i]);
            }
        }
        assertThat(far).hasSize(21).contains(-100f, 0f, 100f);
        assertThat(near).as("without the tens").hasSize(36).contains(-19f, 1f, 19f);
    }

    /** From 0 to 24 by 6 m straight: a step is 0.25 m; a line for each step and a tick for each of 25 frames. */
    @Test
    void aWayGoesFromTheFirstKeyToTheLast() {
        Stage stage = new Stage(List.of(block(ItemChannel.X, new Key(0, 0, Easing.STRAIGHT), new Key(24, 6, Easing.STRAIGHT))));
        SetLines way = SetLines.of(stage, List.of(Aid.PATHS));
        assertThat(way.ends()).hasSize((24 + 25) * 6);
        assertThat(way.ends()).startsWith(0, 0, 0, 0.25f, 0, 0);
        assertThat(way.ends()[way.ends().length - 6]).as("the last tick").isEqualTo(6);
    }

    /** Ways of days would be as large as a film: points are left out evenly, the last one never. */
    @Test
    void longWaysHaveFewerPointsAndStillEndAtTheirLastKey() {
        Stage stage = new Stage(List.of(block(ItemChannel.X, new Key(0, 0, Easing.STRAIGHT), new Key(1_000_000, 500, Easing.STRAIGHT))));
        float[] ends = SetLines.of(stage, List.of(Aid.PATHS)).ends();
        assertThat(ends.length / 6).isBetween(150_000, 200_100);
        assertThat(ends[ends.length - 6]).isEqualTo(500);
    }

    @Test
    void whatOnlyTurnsOrStaysHasNoWay() {
        assertThat(SetLines.of(new Stage(List.of(block(ItemChannel.TURN, new Key(0, 0, Easing.STRAIGHT), new Key(9, 90, Easing.STRAIGHT)))),
                List.of(Aid.PATHS)).isEmpty()).isTrue();
        assertThat(SetLines.of(new Stage(List.of(block(ItemChannel.X, new Key(0, 2, Easing.STRAIGHT), new Key(9, 2, Easing.STRAIGHT)))),
                List.of(Aid.PATHS)).isEmpty()).isTrue();
    }

    @Test
    void aSetWithAidsIsAnotherThanWithoutAndThatWithoutStaysWhatItWas() {
        Stage stage = new Stage(List.of(block(ItemChannel.X, new Key(0, 0, Easing.STRAIGHT), new Key(24, 6, Easing.STRAIGHT))));
        Stage faster = new Stage(List.of(block(ItemChannel.X, new Key(0, 0, Easing.STRAIGHT), new Key(12, 6, Easing.STRAIGHT))));
        assertThat(ShownSet.of(stage, List.of(Aid.CENTRE)).key()).isEqualTo(DrawnSet.of(stage).key());
        assertThat(ShownSet.of(stage, List.of(Aid.GRID)).key()).isNotEqualTo(DrawnSet.of(stage).key());
        assertThat(ShownSet.of(faster, List.of()).key()).as("ways come with the frames").isEqualTo(DrawnSet.of(stage).key());
        assertThat(ShownSet.of(faster, List.of(Aid.PATHS)).key()).isNotEqualTo(ShownSet.of(stage, List.of(Aid.PATHS)).key());
    }

    @Test
    void framesNameWhatLiesOverThemAndTheirSetsHoldWhatStandsThere() {
        Shot shot = new Shot(1, "sh0010", FrameRange.of(1001, 1041), 8, 0, new Shot.Anchor("k", "k", 1001, Rational.ZERO, Rational.ONE, false));
        PicturePlan plan = PicturePlan.ofShot("sh0010_v003", new FilmedShot(shot, Camera.named("c", FilmBack.SUPER_35), new Stage(List.of())),
                new RenderRange(Rational.of(1001), Rational.ONE, 40), FrameRate.FPS_24, FrameRate.FPS_24, false);
        Recipe recipe = Recipe.of(look(Aid.GRID, Aid.SAFE_AREAS), List.of(), OutputKind.H264);
        FrameOrders orders = new FrameOrders(plan, recipe, false, FrameOrders.Names.NOTHING);
        assertThat(orders.at(3).aids()).containsExactly(Aid.SAFE_AREAS);
        assertThat(orders.sets().values()).singleElement().satisfies(set -> assertThat(set.drawn().lines().isEmpty()).isFalse());
        assertThat(orders.sets()).containsKey(((FrameOrder.Source.OfSet) orders.at(4).layers().get(0).source()).set());
    }
}
