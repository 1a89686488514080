package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Section;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import org.junit.jupiter.api.Test;

class RenderPlaceTest {
    private static final Section PIECE = Section.ofShot(1, 7, FrameRange.of(100, 140), Rational.of(1009));

    private static RenderRange range(long from, Rational speed, long frames) {
        return new RenderRange(Rational.of(from), speed, frames);
    }

    @Test
    void itLiesWhereItShowsTheSameFrames() {
        assertThat(RenderPlace.of(PIECE, PIECE.record(), range(1001, Rational.ONE, 60)))
                .isEqualTo(new RenderPlace(FrameRange.of(92, 152), FrameRange.of(92, 152)));
    }

    @Test
    void framesUnderTransitionsBelongToIt() {
        Section mixed = PIECE.withTransitions(new Transition(Transition.Kind.DISSOLVE, 5, 3), null);
        RenderPlace place = RenderPlace.of(mixed, FrameRange.of(95, 146), range(1004, Rational.ONE, 51));
        assertThat(place.whole()).isEqualTo(FrameRange.of(95, 146));
        assertThat(place.shown()).isEqualTo(FrameRange.of(100, 140));
    }

    @Test
    void oneOfAnotherSpeedIsSeenAtThePiecesFirstFrame() {
        assertThat(RenderPlace.of(PIECE, PIECE.record(), range(1001, Rational.of(1, 2), 30)).whole())
                .isEqualTo(FrameRange.of(100, 130));
    }

    @Test
    void oneThatIsShorterThanTheTransitionsShowsNothing() {
        Section mixed = PIECE.withTransitions(new Transition(Transition.Kind.DISSOLVE, 5, 3), null);
        assertThat(RenderPlace.of(mixed, FrameRange.of(95, 146), range(1004, Rational.ONE, 4)).shown().length()).isZero();
    }
}
