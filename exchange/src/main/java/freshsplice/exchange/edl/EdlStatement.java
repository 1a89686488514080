package freshsplice.exchange.edl;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * One event line with what the lines after it say about it. Filled while the list is parsed, then only read.
 */
final class EdlStatement {
    /** How the event begins. */
    enum Edit { CUT, DISSOLVE, WIPE, KEY_BACKGROUND, KEY, KEY_OUT }

    /** What some programs write after the name of a clip of which one frame is held. */
    private static final String HELD = " FF";

    final int line;
    final String number;
    final String reel;
    final List<String> tracks;
    final Edit edit;
    final String wipe;
    final int duration;
    final boolean dropSource;
    final String sourceIn;
    final String sourceOut;
    final String recordIn;
    final String recordOut;

    /** The line before, of the same number, that this one passes from; null where there is none. */
    EdlStatement outgoing;
    /** Set on the line that a later one passes from. */
    boolean isOutgoing;

    String clipName;
    String file;
    boolean freeze;
    /** Source frames per second as the speed line says; null without one. */
    Rational speedInFps;
    /** By how much that may be off, as many decimals as it is written with: half of the last; 0 for a whole number. */
    double speedClose;
    int speedLine;
    String speedStart;
    final List<String> comments = new ArrayList<>();

    EdlStatement(int line, String number, String reel, List<String> tracks, Edit edit, String wipe, int duration,
                 boolean dropSource, List<String> times) {
        this.line = line;
        this.number = number;
        this.reel = reel;
        this.tracks = tracks;
        this.edit = edit;
        this.wipe = wipe;
        this.duration = duration;
        this.dropSource = dropSource;
        this.sourceIn = times.get(0);
        this.sourceOut = times.get(1);
        this.recordIn = times.get(2);
        this.recordOut = times.get(3);
    }

    /** The clip's name without the mark of a frame that is held; null where the list gives none. */
    String clipNameUnheld() {
        return clipName == null || !clipName.endsWith(HELD) ? clipName : clipName.substring(0, clipName.length() - HELD.length()).stripTrailing();
    }

    /** Reel BL: black, in whatever case. */
    boolean isBlack() {
        return reel.equalsIgnoreCase("BL") || reel.equalsIgnoreCase("BLACK");
    }

    boolean passesFromOutgoing() {
        return edit == Edit.DISSOLVE || edit == Edit.WIPE;
    }

    boolean hasNoLength() {
        return recordIn.equals(recordOut);
    }

    String place() {
        return "line " + line;
    }
}
