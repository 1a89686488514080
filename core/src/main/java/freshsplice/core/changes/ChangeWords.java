package freshsplice.core.changes;

import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.math.BigDecimal;
import java.math.RoundingMode;

/** Changes in words, as a change list says them. */
public final class ChangeWords {
    private ChangeWords() {
    }

    public static String what(Change c) {
        return switch (c.kind()) {
            case NEW -> "new, " + Amounts.frames(c.newRecord().length());
            case OMITTED -> "omitted";
            case REPLACED -> "another source: " + c.name();
            case SPLIT -> "split" + ends(c, ", ");
            case JOINED -> "joined" + ends(c, ", ");
            case MOVED -> "moved by " + signed(c.shift()) + ends(c, ", ");
            case RETIMED -> "another speed" + ends(c, ", ");
            case SLIPPED -> "slipped in its source by " + signed(c.slip());
            case TRIMMED -> ends(c, "");
            case TRANSITION -> "another transition";
            case SHIFTED -> "pushed along by " + signed(c.shift());
            case SOUND -> "sound only";
        };
    }

    /** What a change is, with the speeds where they differ: "speed 100 % to 200 %, tail −24". */
    public static String what(Change c, ShotImpact demand) {
        if (demand == ShotImpact.OF_SLATE && c.kind() == ChangeKind.REPLACED) {
            return "other words: " + c.name();
        }
        if (c.kind() != ChangeKind.RETIMED || demand.before() == null || demand.after() == null) {
            return what(c);
        }
        String before = percent(demand.before());
        String after = percent(demand.after());
        // as fast on average, and still another speed: it changes on the way, or did
        String speeds = before.equals(after) ? "another course of its speed, " + after + " on average" : "speed " + before + " to " + after;
        return speeds + ends(c, ", ");
    }

    /** What a change asks of its shot. */
    public static String asks(Change c, ShotImpact demand) {
        if (c.kind() == ChangeKind.NEW && demand.shown() == null && demand.needs() == Impact.CAMERA) {
            return "a shot, a camera, a board";
        }
        if (c.kind() == ChangeKind.OMITTED) {
            return "nothing, kept aside";
        }
        return switch (demand.needs()) {
            case NOTHING -> "nothing";
            case HANDLES -> "inside its camera work";
            case RENDER -> "new render";
            case CAMERA -> "camera: " + (demand.past() == 1 ? "1 more frame" : demand.past() + " more frames");
        };
    }

    /** A speed as people read it: at most two decimals. */
    public static String percent(Rational speed) {
        BigDecimal percent = BigDecimal.valueOf(speed.times(100).toDouble()).setScale(2, RoundingMode.HALF_UP)
                .stripTrailingZeros();
        return (percent.signum() < 0 ? "\u2212" : "") + percent.abs().toPlainString() + " %";
    }

    private static String ends(Change c, String before) {
        String head = c.head() == 0 ? "" : "head " + signed(c.head());
        String tail = c.tail() == 0 ? "" : "tail " + signed(c.tail());
        String both = head + (head.isEmpty() || tail.isEmpty() ? "" : ", ") + tail;
        return both.isEmpty() ? "" : before + both;
    }

    private static String signed(long frames) {
        return frames > 0 ? "+" + frames : frames == 0 ? "0" : "\u2212" + -frames;
    }
}
