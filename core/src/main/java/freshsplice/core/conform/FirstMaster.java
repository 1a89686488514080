package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.master.Transitions;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The master and the shots of a cut that is received for the first time: every clip a clip at its own place, the
 * action running on from shot to shot as the cut does.
 */
public final class FirstMaster {
    private FirstMaster() {
    }

    /**
     * @param master its clips name their shots by index into {@code shots}, plus one
     * @param shots  in record order; ids are their index plus one
     */
    public record MasterWithShots(Master master, List<Shot> shots) {
    }

    /** Name of the track that shots are conformed on. */
    public static final String MAIN_TRACK = "Shots";

    public static MasterWithShots of(Cut cut, ConformPlan plan, int handles) {
        List<Shot> shots = new ArrayList<>();
        List<Clip> clips = new ArrayList<>();
        Map<String, Long> begun = new HashMap<>();
        for (PlannedShot planned : plan.shots()) {
            long id = shots.size() + 1L;
            CutClip clip = planned.clip();
            // each scene has an action clock of its own, which its first shot begins
            long begins = begun.computeIfAbsent(planned.scene(), scene -> scene.isEmpty() ? cut.record().in() : clip.record().in());
            long offset = clip.record().in() - begins - planned.frames().in();
            shots.add(new Shot(id, planned.code(), planned.frames(), handles, offset,
                    anchor(clip, planned.frames().in())));
            clips.add(clip(id, clip, planned.frames().in()));
        }
        plan.slates().forEach(slate -> clips.add(clip(slate)));
        clips.sort(Comparator.comparingLong(s -> s.record().in()));
        Master master = new Master(0, cut.name(), cut.rate(), cut.dropFrame(), cut.record().in(),
                List.of(Track.of(MAIN_TRACK, clips)));
        return new MasterWithShots(master, shots);
    }

    /** The lasting relation of a clip's source to the frames of its shot. */
    public static Shot.Anchor anchor(CutClip clip, long firstFrame) {
        FrameRange record = clip.record();
        TimeMap time = clip.time();
        Rational from = time.at(record.in());
        Rational slope = time.at(record.out()).minus(from).dividedBy(Rational.of(record.length()));
        boolean still = clip.source() != null && clip.source().isStill();
        TimeMap keyed = time.withoutStraightKeys();
        TimeMap course = still || keyed.slope().isPresent() ? null : keyed.shiftedBy(firstFrame - record.in());
        return new Shot.Anchor(clip.identity(), clip.name(), firstFrame, from, slope, still, course);
    }

    /** The master's clip that shows a new shot, where its clip lies in the cut. */
    public static Clip clip(long shotId, CutClip clip, long firstFrame) {
        FrameRange edge = clip.edge();
        Rational from = Rational.of(firstFrame + edge.in() - clip.record().in());
        return clip(new Clip.Content.OfShot(shotId), clip, from);
    }

    /** The clip that shows a slate of the cut where it lies there. */
    public static Clip clip(CutClip slate) {
        return clip(slate.slate(), slate, Rational.ZERO);
    }

    private static Clip clip(Clip.Content content, CutClip clip, Rational from) {
        FrameRange edge = clip.edge();
        return new Clip(0, content, edge, from, Rational.ONE, true, Transitions.head(clip.head(), edge.in()),
                Transitions.tail(clip.tail(), clip.record(), edge.out()));
    }
}
