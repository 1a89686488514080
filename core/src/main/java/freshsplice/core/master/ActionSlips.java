package freshsplice.core.master;

import freshsplice.core.shot.Shot;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Seams at which the action nearly runs on: a few of its frames are shown twice, or left out. Cutting one action over
 * several cameras, the last frame of one and the first of the next are neighbours (common practice); people who type
 * ranges by hand make them share a frame, or miss one.
 */
public final class ActionSlips {
    /** More frames than this are a cut in the action, not a slip of the hand. */
    private static final Rational MOST = Rational.of(12);

    /**
     * @param at     record frame of the seam
     * @param frames action frames shown twice; negative for frames left out
     * @param words  what is so, in a sentence
     */
    public record Slip(long at, Rational frames, String words) {
    }

    private ActionSlips() {
    }

    /** @param clips of one track, in record order; @param shots by id */
    public static List<Slip> of(List<Clip> clips, Map<Long, Shot> shots) {
        List<Slip> slips = new ArrayList<>();
        for (int i = 1; i < clips.size(); i++) {
            Clip a = clips.get(i - 1);
            Clip b = clips.get(i);
            boolean plain = a.record().out() == b.record().in() && b.head() == null && a.enabled() && b.enabled();
            if (plain && a.speed().signum() > 0 && a.speed().equals(b.speed())) {
                slip(a, b, shots.get(a.shotId()), shots.get(b.shotId())).ifPresent(slips::add);
            }
        }
        return slips;
    }

    private static Optional<Slip> slip(Clip a, Clip b, Shot before, Shot after) {
        if (before == null || after == null) {
            return Optional.empty();
        }
        Rational next = before.actionAt(a.to());
        Rational first = after.actionAt(b.from());
        Rational again = next.minus(first);
        if (again.isZero() || again.abs().compareTo(MOST) > 0) {
            return Optional.empty();
        }
        String count = again.abs() + (again.abs().equals(Rational.ONE) ? " frame" : " frames") + " of the action "
                + (again.abs().equals(Rational.ONE) ? "is " : "are ");
        String words = count + (again.signum() > 0 ? "shown twice" : "left out") + ": " + before.code() + " ends on "
                + before.actionAt(a.at(a.record().last())).floor() + ", " + after.code() + " begins on " + first.floor();
        return Optional.of(new Slip(b.record().in(), again, words));
    }
}
