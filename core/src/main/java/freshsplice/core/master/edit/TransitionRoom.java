package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/** Whether clips are long enough for the transitions that lie over them: a dissolve begins at nothing and ends at all. */
final class TransitionRoom {
    private TransitionRoom() {
    }

    /**
     * @param after the master after an edit of a track
     * @throws Refusal if a clip of it became shorter than the transitions over it need
     */
    static Master checked(Master before, Master after, int track) {
        Track was = before.tracks().get(track);
        Track is = after.tracks().get(track);
        if (was == is) {
            return after;
        }
        List<Clip> clips = is.clips();
        for (int i = 0; i < clips.size(); i++) {
            Clip clip = clips.get(i);
            boolean touched = i >= was.clips().size() || was.clips().get(i).record().length() > clip.record().length();
            if (touched && lacksRoom(clips, i)) {
                throw new Refusal("Only " + Amounts.frames(clip.record().length()) + " of the clip at record frame "
                        + clip.record().in() + " would be left, and the transitions over it need " + needed(clips, i)
                        + " and one of its own: shorten them or take them away first");
            }
        }
        return after;
    }

    /** Clips in order, without the transitions for which one became too short: the picture under them is gone. */
    static List<Clip> fitted(List<Clip> clips) {
        return fitted(clips, s -> false);
    }

    /** @param asBefore which clips no edit touched: one whose neighbour is untouched too stays as a list had it */
    static List<Clip> fitted(List<Clip> clips, Predicate<Clip> asBefore) {
        List<Clip> fitted = new ArrayList<>(clips);
        for (int i = 0; i < fitted.size(); i++) {
            Clip clip = fitted.get(i);
            if (asBefore.test(clip) && (i + 1 == fitted.size() || asBefore.test(fitted.get(i + 1)))) {
                continue;
            }
            if (lacksRoom(fitted, i)) {
                boolean headFits = clip.head() == null || clip.head().after() < clip.record().length();
                fitted.set(i, clip.withTransitions(headFits ? clip.head() : null, null));
            }
            if (lacksRoom(fitted, i)) {
                Clip next = fitted.get(i + 1);
                fitted.set(i + 1, next.withTransitions(null, next.tail()));
            }
        }
        return fitted;
    }

    /** Between and beside transitions a clip has a frame of its own, or no list could tell how it goes. */
    private static boolean lacksRoom(List<Clip> clips, int i) {
        long needed = needed(clips, i);
        return needed > 0 && needed >= clips.get(i).record().length();
    }

    /** Frames that a clip needs under its own transitions and under the one into the next. */
    private static long needed(List<Clip> clips, int index) {
        Clip clip = clips.get(index);
        Clip next = index + 1 < clips.size() ? clips.get(index + 1) : null;
        boolean meets = next != null && next.head() != null && next.record().in() == clip.record().out();
        long own = clip.tail() == null ? 0 : clip.tail().before();
        return (clip.head() == null ? 0 : clip.head().after()) + Math.max(own, meets ? next.head().before() : 0);
    }
}
