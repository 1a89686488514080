package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Flashes, gaps and overlaps of a cut, put right where somebody chose so. No frame is ever shown by two clips. */
final class Fixes {
    private Fixes() {
    }

    /** Clips with what was chosen done; a choice whose place is not there any more is left aside. */
    static List<CutClip> of(Cut cut, List<CutClip> clips, Map<Long, Fix> fixes) {
        if (fixes.isEmpty()) {
            return clips;
        }
        List<CutClip> done = new ArrayList<>();
        Long carriedIn = null;
        for (int i = 0; i < clips.size(); i++) {
            CutClip clip = carriedIn == null ? clips.get(i) : withIn(clips.get(i), carriedIn);
            carriedIn = null;
            CutClip before = done.isEmpty() ? null : done.get(done.size() - 1);
            boolean meetsBefore = before != null && before.record().out() == clip.record().in();
            boolean meetsAfter = i + 1 < clips.size() && clips.get(i + 1).record().in() == clip.record().out();
            Fix fix = fixes.get(clip.record().in());
            if (fix == Fix.TO_BEFORE && meetsBefore) {
                done.set(done.size() - 1, withOut(before, clip.record().out()));
            } else if (fix == Fix.TO_AFTER && meetsAfter) {
                carriedIn = clip.record().in();
            } else if (fix == Fix.EARLIER_WINS && meetsBefore && overlap(cut, before, clip) > 0) {
                long seam = Math.min(clip.record().out() - 1, clip.record().in() + overlap(cut, before, clip));
                done.set(done.size() - 1, withOut(before, seam));
                done.add(withIn(clip, seam));
            } else {
                if (before != null && !meetsBefore && fixes.get(before.record().out()) == Fix.HOLD) {
                    done.set(done.size() - 1, withOut(before, clip.record().in()));
                }
                done.add(clip);
            }
        }
        holdAtEnd(cut, done, fixes);
        return done;
    }

    private static void holdAtEnd(Cut cut, List<CutClip> done, Map<Long, Fix> fixes) {
        CutClip last = done.isEmpty() ? null : done.get(done.size() - 1);
        if (last != null && last.record().out() < cut.record().out() && fixes.get(last.record().out()) == Fix.HOLD) {
            done.set(done.size() - 1, withOut(last, cut.record().out()));
        }
    }

    /** Frames for which the earlier of two neighbours lies under the later one in the same track. */
    static long overlap(Cut cut, CutClip a, CutClip b) {
        List<Integer> first = a.paths().get(a.paths().size() - 1);
        List<Integer> second = b.paths().get(0);
        boolean sameTrack = first.size() == 2 && second.size() == 2 && first.get(0).equals(second.get(0));
        if (!sameTrack || a.tail() != null || b.head() != null || a.record().out() != b.record().in()) {
            return 0;
        }
        Event event = cut.tracks().get(first.get(0)).events().get(first.get(1));
        return Math.max(0, event.record().out() - a.record().out());
    }

    private static CutClip withOut(CutClip clip, long out) {
        return over(clip, clip.record().withOut(out), clip.edge().withOut(out));
    }

    private static CutClip withIn(CutClip clip, long in) {
        return over(clip, clip.record().withIn(in), clip.edge().withIn(in));
    }

    private static CutClip over(CutClip clip, FrameRange record, FrameRange edge) {
        return new CutClip(record, edge, clip.source(), clip.slate(), clip.time().over(record), clip.still(), clip.paths(),
                clip.seams(), clip.joined(), record.in() < clip.record().in() ? null : clip.head(),
                record.out() > clip.record().out() ? null : clip.tail());
    }
}
