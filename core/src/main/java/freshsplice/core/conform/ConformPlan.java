package freshsplice.core.conform;

import freshsplice.core.cut.Remark;
import java.util.List;

/**
 * What a cut would become.
 *
 * @param shots   in record order
 * @param gaps    stretches of the cut with no picture
 * @param remarks what to look at before receiving it
 */
public record ConformPlan(List<PlannedShot> shots, List<freshsplice.core.time.FrameRange> gaps,
                          List<Remark> remarks) {
}
