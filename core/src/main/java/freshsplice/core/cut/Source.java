package freshsplice.core.cut;

import freshsplice.core.time.FrameRate;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;

/**
 * What an event shows. Any field that the file does not tell is null.
 *
 * @param name   the clip's name
 * @param reel   reel or tape name
 * @param file   plain path or address, percent-codes resolved
 * @param rate   the source's own rate
 * @param start  its own first frame, counted on its timecode
 * @param length its frames
 */
public record Source(String name, String reel, String file, FrameRate rate, Long start, Long length) {
    private static final Set<String> STILLS = Set.of(
            "png", "jpg", "jpeg", "psd", "tif", "tiff", "tga", "bmp", "gif", "exr", "dpx", "webp", "pict");

    /** A source of which only name and reel are known. */
    public static Source named(String name, String reel, FrameRate rate) {
        return new Source(name, reel, null, rate, null, null);
    }

    /**
     * Two events share a source only when these are the same: the file where it is known; else reel and name, to
     * the letter, since names that differ in case may be two boards.
     */
    public String identity() {
        if (file != null && !file.isBlank()) {
            return "file:" + file;
        }
        return "reel:" + Objects.requireNonNullElse(reel, "") + "\u0000" + Objects.requireNonNullElse(name, "");
    }

    /** What an {@link #identity} tells of its source. */
    public static Source ofIdentity(String identity) {
        if (identity.startsWith("file:")) {
            return new Source(null, null, identity.substring("file:".length()), null, null, null);
        }
        if (!identity.startsWith("reel:")) {
            return new Source(identity, null, null, null, null, null);
        }
        String names = identity.substring("reel:".length());
        int between = names.indexOf('\u0000');
        String reel = between < 0 ? names : names.substring(0, between);
        String name = between < 0 ? "" : names.substring(between + 1);
        return new Source(name.isEmpty() ? null : name, reel.isEmpty() ? null : reel, null, null, null, null);
    }

    /** A picture without time, by the ending of its file or name; a name that stands for a numbered run moves. */
    public boolean isStill() {
        if (ImageSequence.isRun(file) || ImageSequence.isRun(name)) {
            return false;
        }
        return STILLS.contains(ending(file)) || STILLS.contains(ending(name));
    }

    /** The name to show: the clip's, else the file's, else the reel's. */
    public String label() {
        if (name != null && !name.isBlank()) {
            return name;
        }
        if (file != null && !file.isBlank()) {
            return file.substring(Math.max(file.lastIndexOf('/'), file.lastIndexOf('\\')) + 1);
        }
        return reel == null ? "" : reel;
    }

    private static String ending(String text) {
        if (text == null) {
            return "";
        }
        int dot = text.lastIndexOf('.');
        return dot < 0 ? "" : text.substring(dot + 1).toLowerCase(Locale.ROOT);
    }
}
