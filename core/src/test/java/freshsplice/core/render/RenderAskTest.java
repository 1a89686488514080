package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.delivery.Cover;
import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Bend;
import freshsplice.core.master.Pace;
import freshsplice.core.master.Section;
import freshsplice.core.master.SeenPiece;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class RenderAskTest {
    private static final FrameRange CUT = FrameRange.of(1001, 1041);

    private static SeenPiece piece(long record, long from, long frames, Rational speed) {
        FrameRange range = FrameRange.ofLength(record, frames);
        return new SeenPiece(new Section(1, new Section.Content.OfShot(1), range, Rational.of(from), speed, true, null, null), range);
    }

    private static SeenPiece piece(long record, long from, long frames) {
        return piece(record, from, frames, Rational.ONE);
    }

    private static ShotRenders renders(RenderRange... ranges) {
        List<FinishedRender> all = new ArrayList<>();
        for (RenderRange range : ranges) {
            all.add(new FinishedRender(all.size() + 1, 1, new RenderName("sh0010", all.size() + 1), Grade.DRAFT, "f", range, 0));
        }
        return ShotRenders.of(all, g -> true);
    }

    private static RenderRange range(long from, long frames) {
        return new RenderRange(Rational.of(from), Rational.ONE, frames);
    }

    @Test
    @DisplayName("a shot seen in two places near each other gets one render of both, in places far apart one each")
    void pieces() {
        assertThat(RenderAsk.PIECES.ranges(CUT, List.of(piece(0, 1001, 20), piece(100, 1030, 11)), ShotRenders.NONE))
                .containsExactly(range(1001, 40));
        assertThat(RenderAsk.PIECES.ranges(CUT, List.of(piece(0, 1101, 20), piece(100, 1001, 11)), ShotRenders.NONE))
                .containsExactly(range(1101, 20), range(1001, 11));
        assertThat(RenderAsk.PIECES.ranges(CUT, List.of(piece(0, 1001, 20), piece(100, 1011, 20, Rational.of(1, 2))), ShotRenders.NONE))
                .as("at half the speed it has frames of its own").hasSize(2);
        assertThat(RenderAsk.PIECES.ranges(CUT, List.of(), ShotRenders.NONE)).containsExactly(range(1001, 40));
    }

    @Test
    void piecesBetweenTwoJoinThem() {
        assertThat(RenderAsk.together(List.of(range(1001, 10), range(1101, 10), range(1012, 88)), 2)).containsExactly(range(1001, 110));
    }

    @Test
    void heldFramesOfOnePositionAreOneRender() {
        RenderRange held = new RenderRange(Rational.of(1005), Rational.ZERO, 12);
        assertThat(RenderAsk.together(List.of(held, held.part(0, 30)), 24)).containsExactly(held.part(0, 30));
    }

    @Test
    void piecesOfOneBentCourseAreOneRender() {
        Section whole = piece(0, 1001, 60).section().bent(FrameRange.of(0, 60), List.of(
                new Bend(Rational.ZERO, Rational.of(1001), Pace.EASED), new Bend(Rational.of(60), Rational.of(1100), Pace.STRAIGHT)));
        Section first = whole.over(FrameRange.of(0, 25));
        Section second = whole.over(FrameRange.of(25, 60)).shiftedBy(300);
        List<RenderRange> ranges = RenderAsk.PIECES.ranges(CUT, List.of(new SeenPiece(second, second.record()),
                new SeenPiece(first, first.record())), ShotRenders.NONE);
        assertThat(ranges).singleElement().satisfies(r -> {
            assertThat(r.frames()).isEqualTo(60);
            for (long k = 0; k < 60; k++) {
                assertThat(r.positionOf(k)).isEqualTo(whole.at(k));
            }
        });
    }

    @Test
    void handlesAndEveryNth() {
        RenderAsk ask = new RenderAsk(new RenderAsk.Extent.Pieces(), 8, 1);
        assertThat(ask.ranges(CUT, List.of(piece(0, 1001, 40)), ShotRenders.NONE)).containsExactly(range(993, 56));
        RenderAsk thirds = new RenderAsk(new RenderAsk.Extent.Range(FrameRange.of(1001, 1041)), 0, 3);
        assertThat(thirds.ranges(CUT, List.of(), ShotRenders.NONE)).containsExactly(new RenderRange(Rational.of(1001), Rational.of(3), 14));
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
        List<SeenPiece> pieces = List.of(piece(0, 1001, 40));
        assertThat(missing.ranges(CUT, pieces, renders(range(1001, 15), range(1026, 40)))).containsExactly(range(1016, 10));
        assertThat(missing.ranges(CUT, pieces, renders(range(990, 80)))).isEmpty();
        assertThat(missing.ranges(CUT, pieces, ShotRenders.NONE)).containsExactly(range(1001, 40));
    }

    @Test
    @DisplayName("over any pieces and renders: what is drawn as missing leaves nothing missing, and no frame twice")
    void missingThenCovered() {
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            List<SeenPiece> pieces = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(4); i++) {
                pieces.add(piece(i * 200L, 1001 + random.nextInt(120), 1 + random.nextInt(50),
                        random.nextInt(4) == 0 ? Rational.of(-1) : random.nextInt(4) == 0 ? Rational.of(3, 2) : Rational.ONE));
            }
            List<RenderRange> have = new ArrayList<>();
            for (int i = 0; i < random.nextInt(5); i++) {
                have.add(range(990 + random.nextInt(150), 1 + random.nextInt(60)));
            }
            List<RenderRange> missing = new RenderAsk(new RenderAsk.Extent.Missing(), 0, 1).ranges(CUT, pieces,
                    renders(have.toArray(RenderRange[]::new)));
            have.addAll(missing);
            ShotRenders all = renders(have.toArray(RenderRange[]::new));
            for (SeenPiece piece : pieces) {
                Cover cover = all.cover(piece);
                assertThat(cover.missing()).as("seed %d", seed).isEmpty();
                assertThat(cover.covered()).as("seed %d", seed).isEqualTo(piece.seen().length());
                long at = piece.seen().in();
                for (Cover.Part part : cover.parts()) {
                    assertThat(part.record().in()).as("seed %d", seed).isEqualTo(at);
                    at = part.record().out();
                    for (long f = part.record().in(); f < at; f++) {
                        assertThat(part.render().range().positionOf(f - part.place().in())).as("seed %d, frame %d", seed, f)
                                .isEqualTo(piece.section().at(f));
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
    void theNewestThatHasAllOfItStandsForThePiece() {
        Cover cover = renders(range(1001, 40), range(995, 50), range(1010, 5)).cover(piece(0, 1001, 40));
        assertThat(cover.parts()).extracting(p -> p.render().name().version()).containsExactly(2);
    }

    @Test
    void whatCannotBeAskedForIsSaid() {
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Pieces(), -1, 1)).isInstanceOf(Refusal.class)
                .hasMessage("Frames to spare are 0 to 1000, not -1");
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Pieces(), 0, 0)).isInstanceOf(Refusal.class)
                .hasMessage("Every frame, or every 2nd to 1000th is drawn, not every 0th");
        assertThatThrownBy(() -> new RenderAsk(new RenderAsk.Extent.Range(FrameRange.of(5, 5)), 0, 1)).isInstanceOf(Refusal.class);
    }
}
