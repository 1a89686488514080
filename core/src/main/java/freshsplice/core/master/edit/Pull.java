package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What a pull at a seam or a clip would make, before it is made: the frames on both sides, the new lengths, and what is
 * left of the handles.
 *
 * @param left  the last frame before the line; null for black
 * @param right the first frame after it; null for black
 * @param words all of it in words
 */
public record Pull(Side left, Side right, String words) {
    /**
     * A frame beside the line.
     *
     * @param shot     the shot
     * @param position the exact shot frame
     * @param spare    frames of the shot that are left beyond it, its handles included; negative past them
     */
    public record Side(Shot shot, Rational position, long spare) {
        public long frame() {
            return position.floor();
        }
    }

    /**
     * @param before the master as it is
     * @param after  the master as it would be
     * @param leftId id of the clip whose last frame is looked at; 0 for none
     * @param rightId id of the clip whose first frame is looked at; 0 for none
     * @param shots  by id
     */
    public static Pull of(Master before, Master after, long leftId, long rightId, Map<Long, Shot> shots) {
        Clip left = find(after, leftId);
        Clip right = find(after, rightId);
        Side last = left == null ? null : side(left, left.record().last(), shots, true);
        Side first = right == null ? null : side(right, right.record().in(), shots, false);
        List<String> words = new ArrayList<>();
        if (left != null) {
            words.add(words(find(before, leftId), left, last, "to"));
        }
        if (right != null && rightId != leftId) {
            words.add(words(find(before, rightId), right, first, "from"));
        }
        if (left != null && leftId == rightId && last != null && first != null) {
            return new Pull(last, first, first.shot().code() + " " + Amounts.frames(left.record().length()) + ", " + first.frame() + " to "
                    + last.frame() + ", head " + handles(first) + ", tail " + handles(last));
        }
        return new Pull(last, first, String.join(" · ", words));
    }

    private static Clip find(Master master, long id) {
        return id == 0 ? null : master.tracks().stream().flatMap(l -> l.clips().stream()).filter(s -> s.id() == id)
                .findFirst().orElse(null);
    }

    private static Side side(Clip clip, long record, Map<Long, Shot> shots, boolean atEnd) {
        Shot shot = shots.get(clip.shotId());
        if (shot == null) {
            return null;
        }
        Rational position = clip.at(record);
        boolean towardsEnd = atEnd == (clip.speed().signum() >= 0);
        long spare = towardsEnd ? shot.frames().last() - position.floor() : position.floor() - shot.frames().in();
        return new Side(shot, position, spare);
    }

    private static String handles(Side side) {
        return side.spare() >= 0 ? side.spare() + " left" : -side.spare() + " past the handles";
    }

    private static String words(Clip was, Clip is, Side side, String way) {
        long length = is.record().length();
        String lengths = was.record().length() == length ? Amounts.frames(length)
                : was.record().length() + " → " + Amounts.frames(length);
        if (side == null) {
            return lengths;
        }
        return side.shot().code() + " " + lengths + ", " + way + " " + side.frame() + ", " + handles(side);
    }
}
