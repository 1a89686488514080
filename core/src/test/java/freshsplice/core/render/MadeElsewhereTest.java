package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Clip;
import freshsplice.core.master.SeenClip;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class MadeElsewhereTest {
    private static final FrameRange CUT = FrameRange.of(1001, 1041);
    private static final Shot SHOT = new Shot(1, "sh0010", CUT, 8, 0, null);
    private static final List<MadeElsewhere.Size> HD = List.of(new MadeElsewhere.Size(1920, 1080));
    private static final double WIDE = 16.0 / 9;

    private static SeenClip clip(long from, long frames) {
        FrameRange range = FrameRange.ofLength(0, frames);
        return new SeenClip(new Clip(1, new Clip.Content.OfShot(1), range, Rational.of(from), Rational.ONE, true, null, null), range);
    }

    private static MadeElsewhere checked(boolean run, long frames, long first, FrameRate rate, List<MadeElsewhere.Size> sizes, List<Long> gaps) {
        return MadeElsewhere.of(new MadeElsewhere.Facts(run, frames, first, rate, sizes, gaps), new ShotFrames(SHOT, CUT, List.of(clip(1001, 40))),
                FrameRate.FPS_24, WIDE);
    }

    private static MadeElsewhere run(long frames, long first, Long... gaps) {
        return checked(true, frames, first, FrameRate.FPS_24, HD, List.of(gaps));
    }

    @Test
    @DisplayName("a run whose numbers are the shot's own is taken frame for frame, with what it has to spare")
    void byItsNumbers() {
        assertThat(run(40, 1001)).isEqualTo(new MadeElsewhere(new RenderRange(Rational.of(1001), Rational.ONE, 40), "", List.of()));
        assertThat(run(56, 993)).isEqualTo(new MadeElsewhere(new RenderRange(Rational.of(993), Rational.ONE, 56), "", List.of()));
    }

    @Test
    @DisplayName("one that counts from 0 or 1 begins where its length says: with the cut, or with the frames to spare")
    void byItsLength() {
        assertThat(run(40, 1).range().from()).isEqualTo(Rational.of(1001));
        assertThat(run(56, 0).range().from()).isEqualTo(Rational.of(993));
        assertThat(run(40, 1).words()).singleElement().asString().contains("taken to begin at 1001");
    }

    @Test
    @DisplayName("what is short, at another rate, or of another shape is said; what has gaps or several sizes is not taken")
    void whatIsSaid() {
        assertThat(run(30, 1001).words()).containsExactly("10 of 40 frames that the master shows are not in it");
        assertThat(run(38, 1001, 1004L)).satisfies(r -> {
            assertThat(r.canBe()).isFalse();
            assertThat(r.wrong()).isEqualTo("it has gaps: 1004 is missing");
        });
        assertThat(run(34, 1001, 1004L, 1005L, 1006L, 1007L, 1010L, 1011L).wrong()).isEqualTo("it has gaps: 1004, 1005, 1006, 1007 and 2 more are missing");
        assertThat(checked(true, 40, 1001, FrameRate.FPS_24, List.of(HD.get(0), new MadeElsewhere.Size(960, 540)), List.of()).wrong())
                .isEqualTo("its pictures are of several sizes: 1920 x 1080 and 960 x 540");
        assertThat(checked(false, 40, 1001, FrameRate.FPS_24, List.of(new MadeElsewhere.Size(1000, 1000)), List.of()).words())
                .containsExactly("1000 x 1000 is of another shape than the project's pictures");
        assertThat(checked(false, 0, 0, FrameRate.FPS_24, HD, List.of()).wrong()).isEqualTo("there is no picture in it");
    }

    @Test
    @DisplayName("a movie at twice the rate shows half a frame of the shot with each of its own")
    void anotherRate() {
        MadeElsewhere twice = checked(false, 80, 1001, new FrameRate(Rational.of(48)), HD, List.of());
        assertThat(twice.range()).isEqualTo(new RenderRange(Rational.of(1001), Rational.of(1, 2), 80));
        assertThat(twice.words()).singleElement().asString().contains("48");
    }

    @Test
    @DisplayName("a version of somebody's choice is kept where it is free")
    void versions() {
        RenderRange range = new RenderRange(Rational.of(1001), Rational.ONE, 40);
        Versions versions = new Versions(List.of());
        assertThat(versions.take("sh0010", 3, freshsplice.core.delivery.Grade.DRAFT, range)).hasToString("sh0010_v003");
        assertThat(versions.take("sh0010", 3, freshsplice.core.delivery.Grade.DRAFT, range)).hasToString("sh0010_v004");
        assertThat(versions.take("sh0010", 0, freshsplice.core.delivery.Grade.DRAFT, range)).hasToString("sh0010_v005");
    }
}
