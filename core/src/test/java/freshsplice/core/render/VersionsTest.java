package freshsplice.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Clip;
import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;

class VersionsTest {
    private static final RenderRange RANGE = new RenderRange(Rational.of(1001), Rational.ONE, 40);

    private static Versions.Entry known(int version, Grade grade, boolean finished) {
        return new Versions.Entry(new RenderName("sh0010", version), grade, RANGE, finished);
    }

    @Test
    void aDraftGetsTheNextVersion() {
        Versions versions = new Versions(List.of(known(1, Grade.DRAFT, true), known(4, Grade.DRAFT, false)));
        assertThat(versions.take("SH0010", Grade.DRAFT, RANGE).version()).isEqualTo(5);
        assertThat(versions.take("sh0010", Grade.DRAFT, RANGE).version()).as("taken once").isEqualTo(6);
        assertThat(versions.take("sh0020", Grade.DRAFT, RANGE)).hasToString("sh0020_v001");
    }

    @Test
    void aFinalTakesTheNameOfTheNewestDraftOfItsTiming() {
        Versions versions = new Versions(List.of(known(1, Grade.DRAFT, true), known(2, Grade.DRAFT, true), known(3, Grade.DRAFT, false)));
        assertThat(versions.take("sh0010", Grade.FINAL, RANGE).version()).as("the third is not finished").isEqualTo(2);
        assertThat(versions.take("sh0010", Grade.FINAL, RANGE).version()).as("the second has one now").isEqualTo(1);
        assertThat(versions.take("sh0010", Grade.FINAL, RANGE).version()).isEqualTo(4);
        assertThat(versions.take("sh0010", Grade.FINAL, RANGE.withHandles(8)).version()).as("another timing").isEqualTo(5);
    }

    @Test
    void aTrialIsNoVersionOfTheShot() {
        Versions versions = new Versions(List.of(known(7, Grade.DRAFT, true)));
        RenderName trial = versions.take("sh0010", Grade.TRIAL, RANGE);
        assertThat(trial).hasToString("sh0010_trial_v001");
        assertThat(RenderName.parse(trial.toString()).orElseThrow().of()).isNotEqualTo("sh0010");
        assertThat(versions.take("sh0010", Grade.DRAFT, RANGE).version()).isEqualTo(8);
    }

    @Test
    void theFinalStandsWhereTheDraftStoodAndATrialNever() {
        SeenClip clip = new SeenClip(Clip.ofShot(1, 1, FrameRange.of(0, 40), Rational.of(1001)), FrameRange.of(0, 40));
        List<FinishedRender> all = List.of(render(1, 1, Grade.FINAL), render(2, 1, Grade.DRAFT), render(3, 9, Grade.TRIAL));
        assertThat(ShotRenders.of(all, g -> true).cover(clip).parts()).extracting(p -> p.render().id()).containsExactly(1L);
        assertThat(ShotRenders.of(all.subList(1, 3), g -> g == Grade.FINAL).cover(clip).parts()).isEmpty();
    }

    private static FinishedRender render(long id, int version, Grade grade) {
        return new FinishedRender(id, 1, new RenderName("sh0010", version), grade, "f", RANGE, 0);
    }
}
