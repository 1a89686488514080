package freshsplice.core.board;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import freshsplice.core.board.BoardFit.Crop;
import freshsplice.core.refusal.Refusal;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BoardFitTest {
    private static final Crop WHOLE = new Crop(0, 0, 0, 0);
    private static final double HD = 1280.0 / 720;

    /** Common practice: 640 x 480 in 1280 x 720 is 960 x 720 with 160 at each side, or 1280 x 960 with 120 cut above and below. */
    @Test
    void fittedIsSeenWholeAndFilledCoversAll() {
        pixels(new BoardFit(false, 1, 0, 0, WHOLE).in(640.0 / 480, HD), 160, 0, 960, 720);
        pixels(new BoardFit(true, 1, 0, 0, WHOLE).in(640.0 / 480, HD), 0, -120, 1280, 960);
        pixels(new BoardFit(false, 1, 0, 0, WHOLE).in(2.4, HD), 0, (720 - 1280 / 2.4) / 2, 1280, 1280 / 2.4);
        pixels(new BoardFit(true, 1, 0, 0, WHOLE).in(2.4, HD), (1280 - 720 * 2.4) / 2, 0, 720 * 2.4, 720);
    }

    @Test
    void scaledAboutTheMiddleAndShifted() {
        pixels(new BoardFit(false, 0.5, 0.25, 0.25, WHOLE).in(HD, HD), 320 + 320, 180 - 180, 640, 360);
    }

    /** A sheet with a border of paper: what is left after cropping is what is fitted. */
    @Test
    void croppedFirstFittedThen() {
        pixels(new BoardFit(false, 1, 0, 0, new Crop(0.125, 0.125, 0, 0)).in(640.0 / 480, HD), 280, 0, 720, 720);
    }

    @Test
    void ofRandomBoardsFittedTouchesTwoEdgesAndFilledLeavesNoGap() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            double board = 0.2 + random.nextDouble() * 4;
            double frame = 0.2 + random.nextDouble() * 4;
            Crop crop = new Crop(random.nextDouble() / 3, random.nextDouble() / 3, random.nextDouble() / 3, random.nextDouble() / 3);
            BoardFit.Place fitted = new BoardFit(false, 1, 0, 0, crop).in(board, frame);
            assertThat(Math.max(fitted.width(), fitted.height())).isCloseTo(1, within(1e-9));
            BoardFit.Place filled = new BoardFit(true, 1, 0, 0, crop).in(board, frame);
            assertThat(Math.min(filled.width(), filled.height())).isCloseTo(1, within(1e-9));
            double own = board * (1 - crop.left() - crop.right()) / (1 - crop.top() - crop.bottom());
            assertThat(filled.width() / filled.height() * frame).as("never stretched").isCloseTo(own, within(1e-9));
        }
    }

    @Test
    void boardsOfOneShapeShareAFit() {
        assertThat(BoardFit.sameShape(1280, 720, 1920, 1080)).isTrue();
        assertThat(BoardFit.sameShape(640, 360, 854, 480)).as("854 is 853.3 made whole").isTrue();
        assertThat(BoardFit.sameShape(640, 480, 1280, 720)).isFalse();
    }

    @Test
    void whatCannotBeIsRefusedInWords() {
        assertThatThrownBy(() -> new BoardFit(false, 0, 0, 0, WHOLE)).isInstanceOf(Refusal.class).hasMessageContaining("scaled by");
        assertThatThrownBy(() -> new BoardFit(false, Double.NaN, 0, 0, WHOLE)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new BoardFit(false, 1, 3, 0, WHOLE)).isInstanceOf(Refusal.class).hasMessageContaining("shifted");
        assertThatThrownBy(() -> new Crop(0.6, 0.4, 0, 0)).isInstanceOf(Refusal.class).hasMessageContaining("left and right");
        assertThatThrownBy(() -> new Crop(0, 0, -0.1, 0)).isInstanceOf(Refusal.class);
    }

    private static void pixels(BoardFit.Place place, double left, double top, double width, double height) {
        assertThat(new double[] {place.left() * 1280, place.top() * 720, place.width() * 1280, place.height() * 720})
                .containsExactly(new double[] {left, top, width, height}, within(1e-6));
    }
}
