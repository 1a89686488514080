package freshsplice.core.changes;

/** Changes in words, as a change list says them. */
public final class ChangeWords {
    private ChangeWords() {
    }

    public static String what(Change c) {
        return switch (c.kind()) {
            case NEW -> "new, " + frames(c.newRecord().length());
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

    /** What a change asks of its shot. @param handles frames of the handles */
    public static String asks(Change c, int handles) {
        if (c.kind() == ChangeKind.NEW) {
            return "a shot, a camera, a board";
        }
        if (c.kind() == ChangeKind.OMITTED) {
            return "nothing, kept aside";
        }
        return switch (c.needs()) {
            case NOTHING -> "nothing";
            case HANDLES -> "inside its handles";
            case RENDER -> "new render";
            case CAMERA -> past(c, handles) > 0 ? "camera: " + past(c, handles) + " past the handle" : "camera work";
        };
    }

    /** Frames that lie beyond the handles. */
    public static long past(Change c, int handles) {
        return Math.max(0, Math.max(Math.max(c.head(), c.tail()), Math.abs(c.slip())) - handles);
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

    private static String frames(long count) {
        return count == 1 ? "1 frame" : count + " frames";
    }
}
