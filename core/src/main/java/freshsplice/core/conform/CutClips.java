package freshsplice.core.conform;

import freshsplice.core.conform.CutClip.Join;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;

/** The live picture of a cut as clips with their cut points, and as the stretches that are one shot each. */
public final class CutClips {
    private CutClips() {
    }

    /** One clip for each live clip, in record order. */
    public static List<CutClip> apart(Cut cut) {
        List<LiveEvent> live = LivePicture.of(cut);
        Map<Long, Transition> byIn = new HashMap<>();
        Map<Long, Transition> byOut = new HashMap<>();
        for (int index : cut.tracksOf(Track.Kind.PICTURE)) {
            for (Transition transition : cut.tracks().get(index).transitions()) {
                byIn.put(transition.record().in(), transition);
                byOut.put(transition.record().out(), transition);
            }
        }
        Set<Long> ins = new HashSet<>();
        Set<Long> outs = new HashSet<>();
        live.forEach(p -> ins.add(p.record().in()));
        live.forEach(p -> outs.add(p.record().out()));
        List<CutClip> clips = new ArrayList<>();
        for (LiveEvent clip : live) {
            Transition head = byIn.get(clip.record().in());
            Transition tail = byOut.get(clip.record().out());
            if (head != null && head.equals(tail)) {
                // all of it lies under one transition: it comes in there where another clip goes out, else it goes out
                boolean comesIn = live.stream().anyMatch(p -> p != clip && p.record().out() == clip.record().out());
                tail = comesIn ? null : tail;
                head = comesIn ? head : null;
            }
            // at a fade from or to black there is no neighbour to share the frames with: the edge is the clip's own
            long in = head != null && outs.contains(head.record().out()) ? head.cut() : clip.record().in();
            long out = tail != null && ins.contains(tail.record().in()) ? tail.cut() : clip.record().out();
            FrameRange edge = in < out ? FrameRange.of(in, out) : clip.record();
            clips.add(CutClip.of(clip, edge, head, tail));
        }
        return clips;
    }

    /**
     * Neighbours that are meant as one shot, joined: several of the same still, or such as run on in the same source
     * without a jump.
     *
     * @param keepApart asked for the record frame of each seam that could be closed; true leaves it open
     */
    public static List<CutClip> joined(Cut cut, LongPredicate keepApart) {
        List<CutClip> shots = new ArrayList<>();
        for (CutClip clip : apart(cut)) {
            CutClip last = shots.isEmpty() ? null : shots.get(shots.size() - 1);
            Join join = last == null ? null : joinOf(last, clip);
            if (join != null && !keepApart.test(clip.record().in())) {
                shots.set(shots.size() - 1, join(last, clip, join));
            } else {
                shots.add(clip);
            }
        }
        return shots;
    }

    /** Why two neighbours can be one shot; null where they cannot. */
    static Join joinOf(CutClip a, CutClip b) {
        boolean meet = a.record().out() == b.record().in() && a.tail() == null && b.head() == null;
        if (!meet || a.identity().isEmpty() || !a.identity().equals(b.identity())) {
            return null;
        }
        if (a.still() && b.still()) {
            boolean sameFrame = a.isSlate() || a.source().isStill() || a.time().at(a.record().in()).equals(b.time().at(b.record().in()));
            return sameFrame ? Join.ONE_STILL : null;
        }
        boolean sameSpeed = a.time().slope().isPresent() && a.time().slope().equals(b.time().slope());
        boolean runsOn = a.time().at(a.record().out()).equals(b.time().at(b.record().in()));
        return sameSpeed && runsOn ? Join.RUNS_ON : null;
    }

    private static CutClip join(CutClip a, CutClip b, Join why) {
        List<List<Integer>> paths = new ArrayList<>(a.paths());
        paths.addAll(b.paths());
        List<Long> seams = new ArrayList<>(a.seams());
        seams.add(b.record().in());
        FrameRange record = a.record().spanWith(b.record());
        return new CutClip(record, a.edge().spanWith(b.edge()), a.source(), a.slate(), a.time().over(record), a.still(), paths,
                seams, why, a.head(), b.tail());
    }
}
