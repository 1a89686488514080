package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;

/** Edits at the seams of a track. Each returns the master after it, or says why it cannot be done. */
public final class SeamEdits {
    private SeamEdits() {
    }

    /**
     * Moves the seam at a record frame: where two clips meet, one grows as the other shrinks (a roll); at an open
     * end, the clip is trimmed or lengthened into the black. Nothing else moves.
     *
     * @param at    record frame of the seam
     * @param delta frames later (+) or earlier (−)
     * @throws IllegalArgumentException if there is no seam, or a clip would be left without a frame or meet another
     */
    public static Master move(Master master, int trackIndex, long at, long delta) {
        Track track = master.tracks().get(trackIndex);
        List<Clip> clips = track.clips();
        int right = track.firstFrom(at);
        int left = right - 1;
        left = left >= 0 && clips.get(left).record().out() == at ? left : -1;
        right = right < clips.size() && clips.get(right).record().in() == at ? right : -1;
        if (left < 0 && right < 0) {
            throw new Refusal("There is no seam at record frame " + at + ": choose one first");
        }
        if (delta == 0) {
            return master;
        }
        long to = Math.addExact(at, delta);
        checkRoom(clips, left, right, at, to);
        List<Clip> moved = new ArrayList<>();
        if (left >= 0) {
            moved.add(clips.get(left).over(clips.get(left).record().withOut(to)));
        }
        if (right >= 0) {
            moved.add(clips.get(right).over(FrameRange.of(to, clips.get(right).record().out())));
        }
        int from = left >= 0 ? left : right;
        return TransitionRoom.checked(master, master.withTrack(trackIndex, track.spliced(from, from + moved.size(), moved)),
                trackIndex);
    }

    private static void checkRoom(List<Clip> clips, int left, int right, long at, long to) {
        if (left >= 0 && to <= clips.get(left).record().in()) {
            throw new Refusal("The clip before the seam has " + Amounts.frames(clips.get(left).record().length())
                    + "; it cannot lose " + (at - to));
        }
        if (right >= 0 && to >= clips.get(right).record().out()) {
            throw new Refusal("The clip after the seam has " + Amounts.frames(clips.get(right).record().length())
                    + "; it cannot lose " + (to - at));
        }
        boolean meetsNext = right < 0 && left + 1 < clips.size() && to > clips.get(left + 1).record().in();
        boolean meetsBefore = left < 0 && right > 0 && to < clips.get(right - 1).record().out();
        if (meetsNext || meetsBefore) {
            throw new Refusal("Moved by " + Amounts.frames(to - at) + " the clip would lie over its "
                    + "neighbour");
        }
        if (left < 0 && right == 0 && to < 0) {
            throw new Refusal("The master cannot begin before record frame 0");
        }
    }
}
