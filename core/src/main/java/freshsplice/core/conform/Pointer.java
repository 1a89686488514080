package freshsplice.core.conform;

import freshsplice.core.cut.Remark;
import java.util.List;

/**
 * A remark that points at a place of the cut, with what can be chosen there.
 *
 * @param at     record frame that names the place in a choice
 * @param offers what can be done about it; empty where there is nothing to choose
 * @param chosen what was chosen; null to leave it
 */
public record Pointer(Remark remark, long at, List<Fix> offers, Fix chosen) {
    static Pointer only(Remark remark, long at) {
        return new Pointer(remark, at, List.of(), null);
    }
}
