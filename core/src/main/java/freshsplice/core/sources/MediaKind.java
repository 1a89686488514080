package freshsplice.core.sources;

import java.util.Locale;
import java.util.Set;

/** What a file is by its ending. */
public enum MediaKind {
    STILL("png", "jpg", "jpeg", "jpe", "psd", "psb", "tif", "tiff", "tga", "bmp", "gif", "exr", "dpx", "webp", "pict",
            "jp2"),
    MOVIE("mov", "mp4", "m4v", "mxf", "avi", "mkv", "webm", "mpg", "mpeg", "ts"),
    SOUND("wav", "bwf", "w64", "aif", "aiff", "aifc", "mp3", "m4a", "aac", "flac", "ogg", "caf", "wma"),
    OTHER;

    private final Set<String> endings;

    MediaKind(String... endings) {
        this.endings = Set.of(endings);
    }

    /** @param path a name or a path, whatever its slashes */
    public static MediaKind of(String path) {
        int dot = path.lastIndexOf('.');
        String ending = dot < 0 ? "" : path.substring(dot + 1).strip().toLowerCase(Locale.ROOT);
        for (MediaKind kind : values()) {
            if (kind.endings.contains(ending)) {
                return kind;
            }
        }
        return OTHER;
    }
}
