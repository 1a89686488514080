package freshsplice.core.changes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which edit pushed a shifted piece along. Walking the newer side in order, the black before a piece tells: where it
 * is as long as it was, the piece was pushed by what lies before it; where it is not, the piece's own place changed.
 */
final class Causes {
    private final List<Piece> olds;
    private final List<Piece> news;
    private final Alignment alignment;
    private final List<Change> changes;
    private final Map<Integer, Integer> changeOfNew = new HashMap<>();
    private final Map<Integer, Integer> changeOfOld = new HashMap<>();

    Causes(List<Piece> olds, List<Piece> news, Alignment alignment, List<Change> changes) {
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

    /** Frames of black between two pieces, whatever lies between them being taken out. */
    private static long blackBefore(List<Piece> pieces, int last, int at) {
        long free = pieces.get(at).edge().in() - (last < 0 ? pieces.get(0).edge().in() : pieces.get(last).edge().out());
        for (int i = last + 1; i < at; i++) {
            free -= pieces.get(i).length();
        }
        return free;
    }
}
