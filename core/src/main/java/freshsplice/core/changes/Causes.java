package freshsplice.core.changes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which edit pushed a shifted clip along. Walking the newer side in order, the black before a clip tells: where it
 * is as long as it was, the clip was pushed by what lies before it; where it is not, the clip's own place changed.
 */
final class Causes {
    private final List<ComparedClip> olds;
    private final List<ComparedClip> news;
    private final Alignment alignment;
    private final List<Change> changes;
    private final Map<Integer, Integer> changeOfNew = new HashMap<>();
    private final Map<Integer, Integer> changeOfOld = new HashMap<>();

    Causes(List<ComparedClip> olds, List<ComparedClip> news, Alignment alignment, List<Change> changes) {
        this.olds = olds;
        this.news = news;
        this.alignment = alignment;
        this.changes = changes;
        for (int i = 0; i < changes.size(); i++) {
            changeOfNew.putIfAbsent(changes.get(i).newIndex(), i);
            changeOfOld.putIfAbsent(changes.get(i).oldIndex(), i);
        }
    }

    List<Change> told() {
        List<Change> told = new ArrayList<>(changes);
        int lastOld = -1;
        int lastNew = -1;
        int cause = -1;
        for (int n = 0; n < news.size(); n++) {
            int o = alignment.oldOf[n];
            if (o < 0 || alignment.moved[o]) {
                continue;
            }
            int between = editBetween(lastOld, o, lastNew, n);
            if (between >= 0) {
                cause = between;
            }
            boolean pushed = blackBefore(olds, lastOld, o) == blackBefore(news, lastNew, n);
            Integer own = changeOfNew.get(n);
            if (own != null && changes.get(own).kind() == ChangeKind.SHIFTED) {
                if (pushed && cause >= 0) {
                    told.set(own, changes.get(own).because(cause));
                } else {
                    cause = own;
                }
            } else if (own != null && (!pushed || changesLength(o, n))) {
                cause = own;
            }
            lastOld = o;
            lastNew = n;
        }
        return told;
    }

    private boolean changesLength(int o, int n) {
        return olds.get(o).length() != news.get(n).length();
    }

    /** The last change that put something in or took something out between two pairs; −1 where none did. */
    private int editBetween(int lastOld, int o, int lastNew, int n) {
        int last = -1;
        for (int i = lastOld + 1; i < o; i++) {
            last = Math.max(last, changeOfOld.getOrDefault(i, -1));
        }
        for (int i = lastNew + 1; i < n; i++) {
            last = Math.max(last, changeOfNew.getOrDefault(i, -1));
        }
        return last;
    }

    /** Frames of black between two clips, whatever lies between them being taken out. */
    private static long blackBefore(List<ComparedClip> clips, int last, int at) {
        long free = clips.get(at).edge().in() - (last < 0 ? clips.get(0).edge().in() : clips.get(last).edge().out());
        for (int i = last + 1; i < at; i++) {
            free -= clips.get(i).length();
        }
        return free;
    }
}
