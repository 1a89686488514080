package freshsplice.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.Bake;
import freshsplice.core.stage.Geometry;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Shape;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.lwjgl.opengl.GL33C;

class MovieTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final Stage BLOCK = block("#ff0000");

    private static Stage block(String colour) {
        return new Stage(List.of(new Item(1, "block", new Geometry.Figure(Shape.BLOCK, colour), 1, 1, 1, Map.of())));
    }

    @TempDir
    Path folder;

    private static byte[] drawn(CameraPose pose, Matrix place) {
        byte[] picture = new byte[W * H * 3];
        try (StagePainter painter = new StagePainter()) {
            painter.size(W, H);
            painter.stage(BLOCK);
            painter.draw(pose.view().toFloats(), pose.projection(FilmBack.FULL_FRAME, W / (double) H).toFloats(),
                    place.toFloats(), null, picture);
        }
        return picture;
    }

    private static boolean isRed(byte[] picture, int x, int y) {
        int at = (y * W + x) * 3;
        return (picture[at] & 0xFF) > 2 * (picture[at + 1] & 0xFF);
    }

    /** 36 mm wide back, 18 mm lens: at 5 m the picture is 10 m wide, so a metre is a tenth of it. */
    @Test
    void aBlockLandsWhereTheLensSaysToThePixel() {
        CameraPose pose = CameraPose.standing(new CameraPose.Place(0, 0, 5, 0, 0, 0), 18, 5);
        byte[] picture = drawn(pose, Matrix.translation(0, 0, -0.5));
        int left = W / 2 - W * 5 / 100;
        int right = W / 2 + W * 5 / 100;
        assertThat(isRed(picture, left + 1, H / 2 - 8)).isTrue();
        assertThat(isRed(picture, left - 2, H / 2 - 8)).isFalse();
        assertThat(isRed(picture, right - 2, H / 2 - 8)).isTrue();
        assertThat(isRed(picture, right + 1, H / 2 - 8)).isFalse();
        assertThat(isRed(picture, (left + right) / 2, H / 2 - W / 10 - 2)).isFalse();
        assertThat(isRed(picture, (left + right) / 2, H / 2 - W / 10 + 2)).isTrue();
    }

    @Test
    void theSkyIsAboveAndPicturesHaveSizes() {
        byte[] picture = drawn(CameraPose.standing(new CameraPose.Place(0, 0, 5, 0, 0, 0), 35, 5), Matrix.scaling(0, 0, 0));
        assertThat(picture[0] & 0xFF).isLessThan(picture[(H / 2 * W) * 3] & 0xFF);
        try (StagePainter painter = new StagePainter()) {
            assertThatThrownBy(() -> painter.size(0, 100)).hasMessageContaining("16 to 8192");
        }
    }

    /** A point to aim at is for hands: whatever its colour, no render shows it. */
    @Test
    void whatIsForHandsAloneIsInNoPicture() {
        Stage helper = new Stage(List.of(new Item(1, "point", new Geometry.Figure(Shape.HELPER, "#ff00ff"), 3, 3, 3, Map.of())));
        CameraPose pose = CameraPose.standing(new CameraPose.Place(0, 0, 5, 0, 0, 0), 35, 5);
        byte[] picture = new byte[W * H * 3];
        for (Bake.Blur blur : new Bake.Blur[] {null, new Bake.Blur(2, 0.05f)}) {
            try (StagePainter painter = new StagePainter()) {
                painter.size(W, H);
                painter.stage(helper);
                painter.draw(pose.view().toFloats(), pose.projection(FilmBack.FULL_FRAME, W / (double) H).toFloats(),
                        Matrix.identity().toFloats(), blur, picture);
            }
            assertThat(IntStream.range(0, W * H).filter(i -> (picture[3 * i] & 0xFF) > (picture[3 * i + 1] & 0xFF) + 8)).as("pixels that are pink").isEmpty();
        }
    }

    @Test
    void whatIsNoPictureIsRefusedInASentence() throws IOException {
        Path text = Files.writeString(folder.resolve("a.png"), "no picture");
        assertThatThrownBy(() -> Probe.of(text)).hasMessageContaining("a.png");
    }

    @Test
    void aProgramThatHangsIsEndedAndSaid() {
        long begun = System.nanoTime();
        assertThatThrownBy(() -> ChildProcess.output(List.of("sleep", "60"), 1, 100, Path.of("board.mov")))
                .isInstanceOf(IOException.class).hasMessageContaining("board.mov takes too long");
        assertThat(System.nanoTime() - begun).as("nanoseconds").isLessThan(20_000_000_000L);
    }

    @Test
    void allThatAProgramPrintedIsReadAlsoWhenItEndedBefore() {
        List<Integer> lengths = java.util.stream.IntStream.range(0, 400).parallel().mapToObj(i -> {
            try {
                return ChildProcess.output(List.of("head", "-c", "60000", "/dev/zero"), 20, 100_000, Path.of("a")).length;
            } catch (IOException e) {
                return -1;
            }
        }).toList();
        assertThat(lengths).containsOnly(60_000);
    }

    @Test
    void aMovieThatCannotBeReadIsNoBlack() throws IOException {
        Path gone = folder.resolve("gone.mp4");
        try (MovieReader reader = new MovieReader(gone, W, H, FrameRate.FPS_24)) {
            assertThatThrownBy(() -> reader.frame(0)).isInstanceOf(IOException.class).hasMessageContaining("gone.mp4");
        }
        Path noise = Files.write(folder.resolve("noise.mp4"), new byte[5000]);
        try (MovieReader reader = new MovieReader(noise, W, H, FrameRate.FPS_24)) {
            assertThatThrownBy(() -> reader.frame(3)).isInstanceOf(IOException.class).hasMessageContaining("noise.mp4");
        }
    }

    @Test
    void whatWasDrawnBeforeIsTakenOffTheGraphicsCard() {
        try (StagePainter painter = new StagePainter()) {
            for (int i = 10; i < 60; i++) {
                painter.stage(block("#ff00" + i));
            }
            assertThat(IntStream.range(1, 1000).filter(GL33C::glIsBuffer).count()).as("of 200 that were made; six sets are kept")
                    .isLessThanOrEqualTo(5 + 6 * 5);
        }
    }
}
