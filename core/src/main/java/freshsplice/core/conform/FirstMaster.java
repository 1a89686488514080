package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
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
 * The master and the shots of a cut that is received for the first time: every piece a section at its own place, the
 * action running on from shot to shot as the cut does.
 */
public final class FirstMaster {
    private FirstMaster() {
    }

    /**
     * @param master its sections name their shots by index into {@code shots}, plus one
     * @param shots  in record order; ids are their index plus one
     */
    public record MasterWithShots(Master master, List<Shot> shots) {
    }

    /** Name of the lane that shots are conformed on. */
    public static final String MAIN_LANE = "Shots";

    public static MasterWithShots of(Cut cut, ConformPlan plan, int handles) {
        List<Shot> shots = new ArrayList<>();
        List<Section> sections = new ArrayList<>();
        Map<String, Long> begun = new HashMap<>();
        for (PlannedShot planned : plan.shots()) {
            long id = shots.size() + 1L;
            CutPiece piece = planned.piece();
            // each scene has an action clock of its own, which its first shot begins
            long begins = begun.computeIfAbsent(planned.scene(), scene -> scene.isEmpty() ? cut.record().in() : piece.record().in());
            long offset = piece.record().in() - begins - planned.frames().in();
            shots.add(new Shot(id, planned.code(), planned.frames(), handles, offset,
                    anchor(piece, planned.frames().in())));
            sections.add(section(id, piece, planned.frames().in()));
        }
        plan.slates().forEach(slate -> sections.add(section(slate)));
        sections.sort(Comparator.comparingLong(s -> s.record().in()));
        Master master = new Master(0, cut.name(), cut.rate(), cut.dropFrame(), cut.record().in(),
                List.of(Lane.of(MAIN_LANE, sections)));
        return new MasterWithShots(master, shots);
    }

    /** The lasting relation of a piece's source to the frames of its shot. */
    public static Shot.Anchor anchor(CutPiece piece, long firstFrame) {
        FrameRange record = piece.record();
        TimeMap time = piece.time();
        Rational from = time.at(record.in());
        Rational slope = time.at(record.out()).minus(from).dividedBy(Rational.of(record.length()));
        boolean still = piece.source() != null && piece.source().isStill();
        TimeMap keyed = time.withoutStraightKeys();
        TimeMap course = still || keyed.slope().isPresent() ? null : keyed.shiftedBy(firstFrame - record.in());
        return new Shot.Anchor(piece.identity(), piece.name(), firstFrame, from, slope, still, course);
    }

    /** The section that shows a new shot where the piece lies in the cut. */
    public static Section section(long shotId, CutPiece piece, long firstFrame) {
        FrameRange edge = piece.edge();
        Rational from = Rational.of(firstFrame + edge.in() - piece.record().in());
        return section(new Section.Content.OfShot(shotId), piece, from);
    }

    /** The section that shows a slate of the cut where it lies there. */
    public static Section section(CutPiece slate) {
        return section(slate.slate(), slate, Rational.ZERO);
    }

    private static Section section(Section.Content content, CutPiece piece, Rational from) {
        FrameRange edge = piece.edge();
        return new Section(0, content, edge, from, Rational.ONE, true, Transitions.head(piece.head(), edge.in()),
                Transitions.tail(piece.tail(), piece.record(), edge.out()));
    }
}
