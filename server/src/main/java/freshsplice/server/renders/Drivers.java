package freshsplice.server.renders;

import freshsplice.server.rows.RenderRow;
import java.io.IOException;
import org.springframework.stereotype.Component;

/** Keeps the frames of a render to one kind of driver, so that they are alike to the bit, unless somebody allowed any. */
@Component
public class Drivers {
    /** In the place of a driver: frames may come from several. */
    private static final String ANY = "any";

    private final RenderTasks tasks;
    private final RenderStates states;
    private final RenderProgress progress;
    private final RenderLog log;
    private final SeatWork work;

    Drivers(RenderTasks tasks, RenderStates states, RenderProgress progress, RenderLog log, SeatWork work) {
        this.tasks = tasks;
        this.states = states;
        this.progress = progress;
        this.log = log;
        this.work = work;
    }

    /** Whether a seat may draw for a render. The first that does binds it. */
    boolean mayDraw(RenderRow row, Seat seat) throws IOException {
        String driver = seat.driver();
        if (row.driver == null && states.bind(row.id, driver)) {
            tasks.bind(row.id, driver);
            return true;
        }
        String bound = of(row.id);
        return bound == null || bound.equals(driver);
    }

    /** Whether a seat could draw for a render, which it binds to nothing by that. */
    boolean fits(long renderId, Seat seat) {
        try {
            String bound = of(renderId);
            return bound == null || bound.equals(seat.driver());
        } catch (IOException e) {
            return false;
        }
    }

    /** What a render's frames are drawn by; null for anything. */
    String of(long renderId) {
        return bound(states.row(renderId));
    }

    private static String bound(RenderRow row) {
        return ANY.equals(row.driver) ? null : row.driver;
    }

    /** Lets any machine draw what is missing of a render that was begun with a driver that may be gone: its frames may differ a little. */
    public void allowAny(long renderId) {
        states.bindAnew(renderId, ANY);
        tasks.bind(renderId, null);
        log.say(renderId, "from here on by any driver");
        progress.tell(states.row(renderId).projectId);
    }

    /** The driver that a render under way waits for, where no machine that is there has it; null where it waits for none. */
    public String awaited(RenderRow row) {
        String bound = row.state == RenderRow.State.DRAWING ? bound(row) : null;
        return bound == null || work.drivers().isEmpty() || work.drivers().contains(bound) ? null : bound;
    }
}
