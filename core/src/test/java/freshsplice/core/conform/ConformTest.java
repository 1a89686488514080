package freshsplice.core.conform;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Cuts;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ConformTest {
    private static ConformPlan plan(Cut cut) {
        return Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT));
    }

    @Test
    void neighboursOfOneStillAndWhatRunsOnBecomeOneShot() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a.png", 0, 10, 0), Cuts.clip("a.png", 10, 30, 0),
                Cuts.clip("b", 30, 50, 5), Cuts.clip("b", 50, 60, 25), Cuts.clip("b", 60, 70, 36)));
        List<PlannedShot> shots = plan(cut).shots();
        assertThat(shots).extracting(PlannedShot::code).containsExactly("sh0010", "sh0020", "sh0030");
        assertThat(shots).extracting(s -> s.clip().joined()).containsExactly(CutClip.Join.ONE_STILL,
                CutClip.Join.RUNS_ON, null);
        assertThat(shots.get(1).frames()).isEqualTo(FrameRange.of(1001, 1031));
        assertThat(shots.get(1).clip().paths()).containsExactly(List.of(0, 2), List.of(0, 3));
    }

    @Test
    void oneSeamCanBeKeptApart() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a.png", 0, 10, 0), Cuts.clip("a.png", 10, 30, 0),
                Cuts.clip("a.png", 30, 40, 0)));
        assertThat(Conform.plan(cut, ConformChoices.of(ShotNumbering.DEFAULT).keepingApart(seam -> seam == 30)).shots())
                .extracting(s -> s.clip().record()).containsExactly(FrameRange.of(0, 30), FrameRange.of(30, 40));
    }

    @Test
    void pointsAtFlashesGapsRepeatedFramesAndBoardsUsedTwice() {
        Cut cut = Cuts.of(Cuts.track(Cuts.clip("a.png", 0, 2, 0), Cuts.clip("b", 12, 112, 1),
                Cuts.clip("b", 112, 212, 100), Cuts.clip("a.png", 212, 240, 0)));
        assertThat(plan(cut).remarks()).extracting(r -> r.text().replaceAll("[:;,(].*", "")).containsExactly(
                "a.png is a flash of 2 frames", "A gap of 10 frames",
                "b shows 1 source frame again that the clip before ended on. Kept as it is",
                "a.png is used in 2 places ");
        assertThat(plan(cut).gaps()).containsExactly(FrameRange.of(2, 12));
    }

    @Test
    void aNumberOnceUsedIsNeverGivenAgain() {
        ShotNumbering numbering = ShotNumbering.DEFAULT;
        assertThat(numbering.codes(2, Set.of("sh0030", "sh0015"))).containsExactly("sh0040", "sh0050");
        assertThat(numbering.between("sh0010", "sh0020", Set.of())).isEqualTo("sh0015");
        assertThat(numbering.between("sh0010", "sh0020", Set.of("sh0015"))).isEqualTo("sh0016");
        assertThat(numbering.between("sh0010", "sh0011", Set.of("sh0010", "sh0011"))).isEqualTo("sh0010a");
        assertThat(numbering.between("sh0010", null, Set.of("sh0020"))).isEqualTo("sh0030");
        assertThat(numbering.codes(1200, Set.of()).get(0)).isEqualTo("sh00010");
    }

    @Test
    void theFirstMasterShowsEveryFrameOfTheCutInItsShots() {
        Track track = new Track(Track.Kind.PICTURE, "V1", true,
                List.of(Cuts.clip("a", 86400, 86456, 10), Cuts.clip("b", 86444, 86500, 20)),
                List.of(Transition.centred(Transition.Kind.DISSOLVE, FrameRange.of(86444, 86456), null)));
        Cut cut = Cuts.of(track);
        FirstMaster.MasterWithShots made = FirstMaster.of(cut, plan(cut), 8);
        List<Clip> clips = made.master().main().clips();
        assertThat(clips).extracting(Clip::record)
                .containsExactly(FrameRange.of(86400, 86450), FrameRange.of(86450, 86500));
        assertThat(clips.get(1).from().floor()).isEqualTo(1007);
        assertThat(clips.get(0).seen(clips.get(1))).isEqualTo(FrameRange.of(86400, 86456));
        FrameChain chain = FrameChain.flat();
        assertThat(chain.at(made.master(), 86443)).hasSize(1);
        assertThat(chain.at(made.master(), 86444)).extracting(FrameChain.Layer::frame).containsExactly(1045L, 1001L);
        assertThat(chain.at(made.master(), 86456)).extracting(FrameChain.Layer::frame).containsExactly(1013L);
        assertThat(chain.at(made.master(), 86500)).isEmpty();
        Shot second = made.shots().get(1);
        assertThat(second.actionAt(clips.get(1).at(86450)).floor()).isEqualTo(50);
        assertThat(second.anchor().sourceAt(clips.get(1).at(86450)).floor()).isEqualTo(26);
    }

    @Test
    void aCodeBetweenTwoIsAsLongAsTheyAreAndNeverOneThatIsThere() {
        ShotNumbering numbering = ShotNumbering.DEFAULT;
        assertThat(numbering.between("sh00010", "sh00020", Set.of("sh00010", "sh00020"))).isEqualTo("sh00015");
        assertThat(numbering.between("sh00010", "sh00020", Set.of("sh00010", "sh00020", "sh00015"))).isEqualTo("sh00016");
        assertThat(numbering.between("sh00010", "sh00020", Set.of("sh0015"))).as("one number, however padded")
                .isEqualTo("sh00016");
        assertThat(numbering.between("sh0010", "sh0020", Set.of())).isEqualTo("sh0015");
    }
}
