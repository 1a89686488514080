package freshsplice.core.master.edit;

import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** Edits of the lanes themselves, and of what lies on which. The main lane is the lowest and stays there. */
public final class LaneEdits {
    private static final int MOST_LANES = 24;
    private static final int LONGEST_NAME = 100;

    private LaneEdits() {
    }

    /** A new lane on top. @param name empty for the next number */
    public static Master add(Master master, String name) {
        if (master.lanes().size() >= MOST_LANES) {
            throw new Refusal("A master has at most " + MOST_LANES + " lanes");
        }
        List<Lane> lanes = new ArrayList<>(master.lanes());
        lanes.add(Lane.of(name == null || name.isBlank() ? "Lane " + (lanes.size() + 1) : checkedName(name), List.of()));
        return master.withLanes(lanes);
    }

    /** Takes a lane away with all that lies on it. */
    public static Master remove(Master master, int lane) {
        checkNotMain(lane, "taken away");
        List<Lane> lanes = new ArrayList<>(master.lanes());
        lanes.remove(lane);
        return master.withLanes(lanes);
    }

    public static Master rename(Master master, int lane, String name) {
        return master.withLane(lane, master.lanes().get(lane).renamed(checkedName(name)));
    }

    /** Switches a lane on or off: off it is kept, seen dimmed, and never live. */
    public static Master enable(Master master, int lane, boolean on) {
        return master.withLane(lane, master.lanes().get(lane).enabled(on));
    }

    public static Master lock(Master master, int lane, boolean on) {
        return master.withLane(lane, master.lanes().get(lane).locked(on));
    }

    /** Puts a lane higher (+) or lower (−) among the others above the main lane. */
    public static Master reorder(Master master, int lane, int by) {
        checkNotMain(lane, "moved");
        int to = Math.max(1, Math.min(master.lanes().size() - 1, lane + by));
        List<Lane> lanes = new ArrayList<>(master.lanes());
        lanes.add(to, lanes.remove(lane));
        return master.withLanes(lanes);
    }

    /** Puts a copy of a piece onto the next lane above that is free there, to be tried out; a new lane where none is. */
    public static Master copyUp(Master master, Place place) {
        Section piece = place.in(master);
        Master roomy = master;
        int lane = place.lane() + 1;
        while (lane < roomy.lanes().size() && (roomy.lanes().get(lane).locked()
                || !roomy.lanes().get(lane).within(piece.record()).isEmpty())) {
            lane++;
        }
        if (lane == roomy.lanes().size()) {
            roomy = add(roomy, null);
        }
        return Arranging.overwrite(roomy, lane, piece.withTransitions(null, null).fresh());
    }

    /** Lays pieces of lanes above onto the main lane over what is there, in one stroke. */
    public static Master layDown(Master master, List<Place> places) {
        List<Section> pieces = places.stream().map(p -> p.in(master)).toList();
        if (places.stream().anyMatch(p -> p.lane() == 0)) {
            throw new Refusal("The piece at record frame " + places.stream().filter(p -> p.lane() == 0)
                    .findFirst().orElseThrow().in(master).record().in() + " lies on the main lane already");
        }
        Master laid = Arranging.lift(master, places);
        for (Section piece : pieces) {
            laid = Arranging.overwrite(laid, 0, piece);
        }
        return laid;
    }

    /**
     * @throws IllegalArgumentException if an edit changed a lane that was locked; names the lane
     */
    public static void checkLocks(Master before, Master after) {
        for (Lane lane : before.lanes()) {
            boolean same = after.lanes().stream().anyMatch(l -> l.id() == lane.id()
                    && Objects.equals(l.sections(), lane.sections()));
            if (lane.locked() && !same) {
                throw new Refusal("Lane \"" + lane.name() + "\" is locked: unlock it first");
            }
        }
    }

    private static void checkNotMain(int lane, String done) {
        if (lane == 0) {
            throw new Refusal("The main lane is the lowest one; it is not " + done);
        }
    }

    private static String checkedName(String name) {
        String plain = name == null ? "" : name.replaceAll("\\p{Cntrl}", " ").strip();
        if (plain.isEmpty() || plain.length() > LONGEST_NAME) {
            throw new Refusal("A lane needs a name of 1 to " + LONGEST_NAME + " letters");
        }
        return plain;
    }
}
