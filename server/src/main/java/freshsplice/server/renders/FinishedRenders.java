package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.FinishedRender;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/** The finished renders of a project's shots, with what changed since those that stand for something were made. */
@Component
public class FinishedRenders {
    private final Store store;
    private final Staleness staleness;

    FinishedRenders(Store store, Staleness staleness) {
        this.store = store;
        this.staleness = staleness;
    }

    /**
     * @param wanted grades that are good enough
     * @param master whose sound they are held against
     * @param clips that they are to stand for: only of those that do it is worked out what changed
     */
    public ShotRenders of(long projectId, Predicate<Grade> wanted, Master master, Collection<SeenClip> clips,
                          Map<Long, ShotRow> shots, Map<Long, Camera> cameras) {
        List<RenderRow> rows = rows(projectId);
        ShotRenders renders = ShotRenders.of(rows.stream().map(FinishedRenders::value).toList(), wanted);
        Set<Long> standing = renders.standingFor(clips);
        return renders.changed(staleness.of(rows.stream().filter(r -> standing.contains(r.id)).toList(), shots, cameras, master,
                master.rate()));
    }

    /** Which there are, whatever changed since. */
    public ShotRenders of(long projectId, Predicate<Grade> wanted) {
        return ShotRenders.of(rows(projectId).stream().map(FinishedRenders::value).toList(), wanted);
    }

    private List<RenderRow> rows(long projectId) {
        List<RenderRow> finished = new ArrayList<>(store.where(RenderRow.class, "projectId", projectId));
        FrameRate own = store.get(ProjectRow.class, projectId).rate;
        // a movie of other frames than the project's may lie on a clip by chance, and stands for none
        finished.removeIf(r -> r.shotId == null || r.state != RenderRow.State.DONE || !r.grade.counts() || r.held > 1 || !r.rate(own).equals(own));
        return finished;
    }

    private static FinishedRender value(RenderRow row) {
        return new FinishedRender(row.id, row.shotId, name(row), row.grade, row.delivered, range(row), row.handles);
    }

    static RenderName name(RenderRow row) {
        return RenderName.parse(row.name).orElseGet(() -> new RenderName(row.name, row.version));
    }

    /** What its movie shows frame by frame of the project, whatever rate it is seen at and how many of its frames are drawn. */
    static RenderRange whole(RenderRow render, FrameRate project) {
        Rational each = render.rate(project).framesOf(project);
        boolean asDrawn = render.held == 1 && each.equals(Rational.ONE);
        return asDrawn ? range(render) : range(render).filled(each.times(render.held), each.times(render.played()).floor());
    }

    /** What of its shot a render shows, drawn frame by drawn frame. */
    public static RenderRange range(RenderRow render) {
        return new RenderRange(render.fromPosition, render.speed, render.frames, render.retimeKeys.keys());
    }
}
