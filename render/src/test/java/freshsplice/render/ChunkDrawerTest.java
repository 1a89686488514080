package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.board.BoardFit;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.render.BurnIn;
import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** While one frame is painted the one before is finished and kept: none may get what is another's. */
class ChunkDrawerTest {
    private static final int W = 96;
    private static final int H = 54;
    private static final int FIRST = 100;
    private static final DrawnSet SET = DrawnSet.of(new Stage(List.of(new Item(1, "block", new Geometry.Figure(Shape.BLOCK, "#c04020"), 2, 4, 1, Map.of()))));
    private static final Recipe RECIPE = Recipe.of(new FrameLook(W, H, 100, FrameLook.Edges.QUICK, 0, 8, false, 0), List.of(), OutputKind.H264);
    private static StagePainter painter;

    @BeforeAll
    static void begin() {
        painter = new StagePainter();
    }

    @AfterAll
    static void end() {
        painter.close();
    }

    private static FrameOrder.Layer seenFrom(double x, double weight) {
        CameraPose eye = CameraPose.standing(new CameraPose.Place(x, 2, 9, 0, 0, 0), 35, 5);
        return new FrameOrder.Layer(new FrameOrder.Source.OfSet(SET.key(), List.of(new FrameOrder.Moment(eye.view().toFloats(),
                eye.projection(FilmBack.FULL_FRAME, W / (double) H).toFloats(), new float[0], false, 5, 0))), weight);
    }

    /** Each unlike the others: one set, two laid over each other, words, black. */
    private static List<FrameOrder> orders(int count) {
        return IntStream.range(0, count).mapToObj(i -> new FrameOrder(switch (i % 5) {
            case 0 -> List.of(seenFrom(i * 0.2, 1), seenFrom(-i * 0.2, 0.4));
            case 1 -> List.of(new FrameOrder.Layer(new FrameOrder.Source.OfWords("to come"), 1));
            case 2 -> List.of(new FrameOrder.Layer(new FrameOrder.Source.Black(), 1), seenFrom(i * 0.3, 0.5));
            default -> List.of(seenFrom(i * 0.1, 1));
        }, List.of(new FrameOrder.Line(BurnIn.Corner.BOTTOM_LEFT, String.valueOf(i))))).toList();
    }

    private static Map<Long, byte[]> oneByOne(List<FrameOrder> orders) throws IOException {
        Map<Long, byte[]> frames = new HashMap<>();
        Pixels picture = new Pixels(W, H, false, false);
        try (FrameMaker maker = new FrameMaker(painter, RECIPE.look(), false, false, Footage.of(SET))) {
            for (int i = 0; i < orders.size(); i++) {
                maker.draw(orders.get(i), picture);
                frames.put((long) FIRST + i, picture.bytes().clone());
            }
        }
        return frames;
    }

    /** Keeps what comes. */
    private static class Kept implements ChunkDrawer.Sink {
        final Map<Long, byte[]> frames = new HashMap<>();
        final List<Long> came = new ArrayList<>();
        private final Set<Long> there;

        Kept(Set<Long> there) {
            this.there = there;
        }

        @Override
        public boolean has(long frame) {
            return there.contains(frame);
        }

        @Override
        public void keep(long frame, Pixels pixels) throws IOException {
            came.add(frame);
            frames.put(frame, pixels.bytes().clone());
        }
    }

    private static boolean draw(List<FrameOrder> orders, ChunkDrawer.Sink sink, Footage footage, long until) throws IOException {
        try (ChunkDrawer drawer = new ChunkDrawer(painter)) {
            return drawer.draw(RECIPE, new OrderFile.Orders(FIRST, orders), sink, footage, frame -> frame < until);
        }
    }

    private static boolean draw(List<FrameOrder> orders, ChunkDrawer.Sink sink) throws IOException {
        return draw(orders, sink, Footage.of(SET), Long.MAX_VALUE);
    }

    @Test
    void eachFrameIsWhatItsOrderSaysWhicheverAreThereAlready() throws IOException {
        List<FrameOrder> orders = orders(23);
        Map<Long, byte[]> expected = oneByOne(orders);
        for (int share = 0; share < 8; share++) {
            Random random = new Random(share);
            Set<Long> there = new HashSet<>();
            for (long frame : expected.keySet()) {
                if (random.nextInt(8) < share) {
                    there.add(frame);
                }
            }
            Kept kept = new Kept(there);
            assertThat(draw(orders, kept)).isTrue();
            assertThat(kept.came).as("those that are missing, once, in their order").isEqualTo(expected.keySet().stream().filter(f -> !there.contains(f)).sorted().toList());
            kept.frames.forEach((frame, bytes) -> assertThat(bytes).as("frame %d where %d are there", frame, there.size())
                    .isEqualTo(expected.get(frame)));
        }
    }

    @Test
    void aStopLosesNothingOfWhatWasPainted() throws IOException {
        Kept kept = new Kept(Set.of());
        assertThat(draw(orders(10), kept, Footage.of(SET), FIRST + 4)).isFalse();
        assertThat(kept.came).containsExactly(100L, 101L, 102L, 103L);
    }

    @Test
    void whereAFrameCannotBeKeptNoneComesAfterItAndTheReasonIsTold() {
        Kept full = new Kept(Set.of()) {
            @Override
            public void keep(long frame, Pixels pixels) throws IOException {
                if (frame == FIRST + 3) {
                    throw new IOException("No space left on device");
                }
                super.keep(frame, pixels);
            }
        };
        assertThatThrownBy(() -> draw(orders(10), full)).isInstanceOf(IOException.class).hasMessage("No space left on device");
        assertThat(full.came).containsExactly(100L, 101L, 102L);
    }

    @Test
    void lackOfMemoryIsToldAsSuch() {
        Kept small = new Kept(Set.of()) {
            @Override
            public void keep(long frame, Pixels pixels) {
                throw new OutOfMemoryError("none left");
            }
        };
        assertThatThrownBy(() -> draw(orders(4), small)).isInstanceOf(OutOfMemoryError.class).hasMessage("none left");
    }

    @Test
    void aBoardThatVanishedEndsItWithItsName() {
        List<FrameOrder> orders = new ArrayList<>(orders(3));
        orders.add(new FrameOrder(List.of(seenFrom(0, 1), new FrameOrder.Layer(new FrameOrder.Source.OfBoard("gone.png", 0,
                new BoardFit.Crop(0, 0, 0, 0), new BoardFit.Place(0, 0, 1, 1)), 1)), List.of()));
        orders.addAll(orders(3));
        Footage footage = new Footage() {
            @Override
            public DrawnSet set(String key) {
                return SET;
            }

            @Override
            public Reel reel(String key) throws IOException {
                throw new IOException(key + " is not in its place any more");
            }
        };
        Kept kept = new Kept(Set.of());
        assertThatThrownBy(() -> draw(orders, kept, footage, Long.MAX_VALUE)).isInstanceOf(IOException.class)
                .hasMessage("gone.png is not in its place any more");
        assertThat(kept.came).containsExactly(100L, 101L, 102L);
    }
}
