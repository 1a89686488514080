package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.master.Transition.Curve;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Edits of the transitions between clips, and from and to black. */
public final class Fades {
    private Fades() {
    }

    /**
     * The transition into a clip: from the clip that meets it, or from black. Its frames before the cut are taken from
     * beyond the clip's own head, those after it from beyond the tail of the clip before.
     *
     * @param transition null for a plain cut
     */
    public static Master head(Master master, Place place, Transition transition) {
        List<Clip> clips = master.tracks().get(place.track()).clips();
        Clip clip = clips.get(place.index());
        Clip before = Place.meetingBefore(clips, place.index());
        if (transition != null) {
            if (before == null && transition.before() > 0) {
                throw new Refusal("From black a clip comes in on its own frames: the transition has none "
                        + "before record frame " + clip.record().in());
            }
            if (before != null) {
                long free = before.record().length() - (before.head() == null ? 0 : before.head().after());
                checkRoom("before", transition.before(), free - 1, before);
            }
            long free = clip.record().length() - (clip.tail() == null ? 0 : clip.tail().before());
            Clip after = Place.meetingAfter(clips, place.index());
            checkRoom("after", transition.after(), free - (after == null || after.head() == null ? 0 : after.head().before())
                    - 1, clip);
        }
        return place.changed(master, clip.withTransitions(transition, clip.tail()));
    }

    /**
     * A dissolve into a clip, half of it before the cut; on its own frames where nothing meets it.
     *
     * @param frames 0 for a plain cut
     */
    public static Master dissolve(Master master, Place place, long frames, Curve curve) {
        boolean meets = Place.meetingBefore(master.tracks().get(place.track()).clips(), place.index()) != null;
        long before = meets ? frames / 2 : 0;
        return head(master, place, frames == 0 ? null : new Transition(Transition.Kind.DISSOLVE, before,
                frames - before,
                curve));
    }

    /**
     * A master after an edit: a transition into a clip that nothing meets any more comes from black, on its own frames; one
     * to black goes where another clip meets the end now; and one for which a clip has no room now goes.
     */
    public static Master settled(Master before, Master after) {
        Map<Long, Clip> known = before.clips().stream().collect(Collectors.toMap(Clip::id, Function.identity(), (a, b) -> a));
        Master settled = after;
        for (int track = 0; track < after.tracks().size(); track++) {
            Track now = after.tracks().get(track);
            if (track < before.tracks().size() && before.tracks().get(track) == now) {
                continue;
            }
            List<Clip> clips = new ArrayList<>(now.clips());
            for (int i = 0; i < clips.size(); i++) {
                Clip clip = clips.get(i);
                Transition head = Place.meetingBefore(clips, i) == null ? fromBlack(clip.head()) : clip.head();
                Transition tail = Place.meetingAfter(clips, i) == null ? clip.tail() : null;
                clips.set(i, head == clip.head() && tail == clip.tail() ? clip : clip.withTransitions(head, tail));
            }
            List<Clip> fitted = TransitionRoom.fitted(clips, s -> isAsLong(s, known.get(s.id())));
            settled = fitted.equals(now.clips()) ? settled : settled.withTrack(track, fitted);
        }
        return settled;
    }

    private static boolean isAsLong(Clip clip, Clip before) {
        return before != null && before.record().length() == clip.record().length() && Objects.equals(before.head(), clip.head());
    }

    private static Transition fromBlack(Transition head) {
        return head == null || head.before() == 0 ? head : new Transition(head.kind(), 0, Math.max(1, head.after()), head.curve());
    }

    /** The transition from a clip to black. @param frames 0 for a plain end */
    public static Master toBlack(Master master, Place place, long frames, Curve curve) {
        List<Clip> clips = master.tracks().get(place.track()).clips();
        Clip clip = clips.get(place.index());
        if (frames < 0) {
            throw new Refusal("A transition lasts at least one frame");
        }
        if (frames > 0 && Place.meetingAfter(clips, place.index()) != null) {
            throw new Refusal("Another clip meets the end of this one, at record frame "
                    + clip.record().out() + ": dissolve into that one instead");
        }
        checkRoom("before", frames, clip.record().length() - (clip.head() == null ? 0 : clip.head().after()), clip);
        return place.changed(master, clip.withTransitions(clip.head(),
                frames == 0 ? null : new Transition(Transition.Kind.DISSOLVE, frames, 0, curve)));
    }

    private static void checkRoom(String side, long wanted, long room, Clip clip) {
        if (wanted > room) {
            throw new Refusal("The transition wants " + Amounts.frames(wanted) + " " + side + " the cut, and the clip "
                    + "at record frame " + clip.record().in() + " has room for " + Math.max(0, room));
        }
    }
}
