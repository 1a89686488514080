package freshsplice.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.master.Clip;
import freshsplice.core.master.SeenClip;
import freshsplice.core.master.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

class RenderPlaceTest {
    private static final Clip CLIP = Clip.ofShot(1, 7, FrameRange.of(100, 140), Rational.of(1009));

    private static FinishedRender render(int version, RenderRange range, int handles) {
        return new FinishedRender(version, 7, new RenderName("sh0010", version), Grade.DRAFT, "sh0010.mp4", range, handles);
    }

    private static FrameRange shown(Clip clip, FrameRange seen, RenderRange range, int handles) {
        return places(clip, seen, render(1, range, handles)).get(0).shown();
    }

    private static List<RenderPlace> places(Clip clip, FrameRange seen, FinishedRender... renders) {
        return RenderPlace.of(new SeenClip(clip, seen), ShotRenders.of(List.of(renders), g -> true));
    }

    private static RenderRange range(long from, Rational speed, long frames) {
        return new RenderRange(Rational.of(from), speed, frames);
    }

    @Test
    void itLiesWhereItShowsTheSameFrames() {
        RenderPlace place = places(CLIP, CLIP.record(), render(1, range(1001, Rational.ONE, 60), 0)).get(0);
        assertThat(place.whole()).isEqualTo(FrameRange.of(92, 152));
        assertThat(place.shown()).isEqualTo(FrameRange.of(92, 152));
    }

    @Test
    void framesUnderTransitionsBelongToIt() {
        Clip mixed = CLIP.withTransitions(new Transition(Transition.Kind.DISSOLVE, 5, 3), null);
        RenderPlace place = places(mixed, FrameRange.of(95, 146), render(1, range(1004, Rational.ONE, 51), 0)).get(0);
        assertThat(place.whole()).isEqualTo(FrameRange.of(95, 146));
        assertThat(place.shown()).isEqualTo(FrameRange.of(100, 140));
    }

    @Test
    void oneOfAnotherSpeedIsSeenAtTheClipsFirstFrame() {
        assertThat(places(CLIP, CLIP.record(), render(1, range(1001, Rational.of(1, 2), 30), 0)).get(0).whole())
                .isEqualTo(FrameRange.of(100, 130));
    }

    @Test
    void oneThatIsShorterThanTheTransitionsShowsNothing() {
        Clip mixed = CLIP.withTransitions(new Transition(Transition.Kind.DISSOLVE, 5, 3), null);
        assertThat(shown(mixed, FrameRange.of(95, 146), range(1004, Rational.ONE, 4), 0).length()).isZero();
    }

    @Test
    void framesToSpareAreNoDisagreementAndHelpWhereTheClipWantsThem() {
        assertThat(shown(CLIP, CLIP.record(), range(1001, Rational.ONE, 56), 8)).isEqualTo(CLIP.record());
        assertThat(shown(CLIP, CLIP.record(), range(1004, Rational.ONE, 56), 8)).as("five at the head are used")
                .isEqualTo(FrameRange.of(100, 143));
        assertThat(shown(CLIP, CLIP.record(), range(1012, Rational.ONE, 56), 8)).as("three are short")
                .isEqualTo(FrameRange.of(103, 151));
    }

    @Test
    void oneThatFillsAnothersGapMeetsItThere() {
        FinishedRender old = render(1, range(1009, Rational.ONE, 30), 0);
        FinishedRender rest = render(2, range(1036, Rational.ONE, 20), 0);
        assertThat(places(CLIP, CLIP.record(), old, rest)).extracting(p -> p.render().id() + " " + p.shown())
                .containsExactly("1 [100, 127)", "2 [127, 147)");
    }
}
