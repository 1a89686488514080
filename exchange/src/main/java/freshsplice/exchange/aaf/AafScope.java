package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * Slots over each other of which one is being read.
 *
 * @param slots the lowest first; null where one shows nothing
 * @param at    where the scope begins, in units of the clock that is read on
 */
record AafScope(List<AafObject> slots, int index, Rational at) {
    AafObject slot() {
        return slots.get(index);
    }

    /** The slot so many below this one; null where there is none. */
    AafScope before(long back) {
        long there = index - back;
        return there < 0 || slots.get((int) there) == null ? null : new AafScope(slots, (int) there, at);
    }

    /**
     * Scopes seen from inside another one.
     *
     * @param inner the innermost; null for none
     * @param zero  what the units inside count from, in units outside
     */
    static List<AafScope> into(List<AafScope> outer, AafScope inner, Rational zero) {
        List<AafScope> all = new ArrayList<>();
        if (inner != null) {
            all.add(inner);
        }
        all.addAll(outer);
        return zero.isZero() ? all : all.stream()
                .map(s -> new AafScope(s.slots, s.index, s.at.minus(zero))).toList();
    }
}
