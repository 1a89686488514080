package freshsplice.exchange.edl;

import java.util.HashMap;
import java.util.Map;

/**
 * Lists often name the file of a clip at one event only. Another event of the same reel and clip name is of that file, unless the
 * list names several for them.
 */
final class EdlFiles {
    private static final String SEVERAL = "";

    private EdlFiles() {
    }

    static void carry(EdlList list) {
        Map<String, String> files = new HashMap<>();
        for (EdlStatement s : list.statements) {
            if (isNamed(s) && s.file != null) {
                files.merge(key(s), s.file, (a, b) -> a.equals(b) ? a : SEVERAL);
            }
        }
        for (EdlStatement s : list.statements) {
            String file = s.file == null && isNamed(s) ? files.get(key(s)) : null;
            if (file != null && !file.equals(SEVERAL)) {
                s.file = file;
            }
        }
    }

    private static boolean isNamed(EdlStatement s) {
        return s.clipName != null && !s.clipName.isBlank() && !s.isBlack();
    }

    private static String key(EdlStatement s) {
        return s.reel + "\u0000" + s.clipNameUnheld();
    }
}
