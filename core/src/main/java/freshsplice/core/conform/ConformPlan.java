package freshsplice.core.conform;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRange;
import java.util.List;

/**
 * What a cut would become.
 *
 * @param shots    in record order
 * @param slates   titles, colours and bars of the cut: nothing to film, no number
 * @param gaps     stretches of the cut with no picture
 * @param pointers what to look at before receiving it, with what can be chosen there
 */
public record ConformPlan(List<PlannedShot> shots, List<CutClip> slates, List<FrameRange> gaps, List<Pointer> pointers) {
    public List<Remark> remarks() {
        return pointers.stream().map(Pointer::remark).toList();
    }
}
