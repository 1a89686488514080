package freshsplice.core.conform;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.conform.Seams.Seam;
import freshsplice.core.conform.Seams.Triple;
import freshsplice.core.time.FrameRange;
import java.util.List;
import org.junit.jupiter.api.Test;

class SeamsTest {
    private static FrameRange r(long in, long out) {
        return FrameRange.of(in, out);
    }

    private static Triple triple(FrameRange shots, FrameRange cut, FrameRange render) {
        return new Triple(shots, cut, render, false);
    }

    @Test
    void whereAClipWasOnlySplitTheOtherTracksHaveNoSeam() {
        List<Seam> seams = Seams.of(List.of(new Triple(r(0, 48), r(0, 96), r(0, 96), true),
                triple(r(48, 96), r(0, 96), r(0, 96))));
        assertThat(seams).extracting(Seam::shots).containsExactly(0L, 48L, 96L);
        assertThat(seams).noneMatch(Seam::isOffset);
        assertThat(seams.get(1).cut()).isNull();
    }

    @Test
    void aSeamIsStraightWhereAllAgree() {
        List<Seam> seams = Seams.of(List.of(triple(r(0, 10), r(0, 10), r(0, 10)),
                triple(r(10, 30), r(10, 30), null)));
        assertThat(seams).hasSize(3).noneMatch(Seam::isOffset);
        assertThat(seams).extracting(Seam::shots).containsExactly(0L, 10L, 30L);
    }

    @Test
    void aBendCountsTheFramesOfTheDisagreement() {
        List<Seam> seams = Seams.of(List.of(triple(r(0, 7), r(0, 10), r(0, 10)),
                triple(r(7, 30), r(10, 30), null)));
        assertThat(seams.get(1)).isEqualTo(new Seam(0, 1, 7, 10L, 10L, -3, 3));
    }

    @Test
    void aGapMakesTwoSeamsAndTheFartherSideIsShown() {
        List<Seam> seams = Seams.of(List.of(triple(r(0, 10), r(0, 12), null),
                triple(r(20, 30), r(12, 30), null)));
        assertThat(seams).extracting(Seam::cutOffset).containsExactly(0L, -2L, 8L, 0L);
        assertThat(Seams.of(List.of(triple(r(0, 10), r(0, 11), null), triple(r(10, 20), r(15, 20), null)))
                .get(1).cutOffset()).isEqualTo(-5);
    }
}
