package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.MasterFingerprint;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.render.FilmedMovie;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads all that a render is drawn from, in one transaction. */
@Component
public class DrawingReader {
    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final CameraStore cameras;
    private final Staleness staleness;
    private final RenderSound sounds;
    private final Folders folders;

    DrawingReader(Store store, MasterStore masters, StageStore stages, CameraStore cameras, Staleness staleness, RenderSound sounds,
                  Folders folders) {
        this.sounds = sounds;
        this.folders = folders;
        this.store = store;
        this.masters = masters;
        this.stages = stages;
        this.cameras = cameras;
        this.staleness = staleness;
    }

    @Transactional(readOnly = true)
    public Drawing read(long renderId) {
        RenderRow render = store.get(RenderRow.class, renderId);
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        MasterRow masterRow = render.masterId == null ? masters.of(project.id).orElseThrow()
                : store.get(MasterRow.class, render.masterId);
        Master master = masters.read(masterRow);
        Map<Long, ShotRow> rows = masters.shotRows(project.id);
        Map<Long, Filmed> filmed = filmed(project.id, rows);
        RenderSound.Under under = sounds.under(master, project.rate);
        if (render.shotId == null) {
            Map<Long, Master> nested = nested(master);
            FrameRange movie = FrameRange.ofLength(master.start(), render.frames);
            return new Drawing(new FilmedMovie(PicturePlan.ofMaster(render.name, master, render.frames, nested, filmed),
                    render.width, render.height, render.burnIn, render.blur, movies(master, nested), under.pieces(movie)),
                    MasterFingerprint.of(master, nested, filmed, render.blur, under.lines(movie)));
        }
        Filmed shot = filmed.get(render.shotId);
        RenderRange range = FinishedRenders.range(render);
        return new Drawing(new FilmedMovie(PicturePlan.ofShot(render.name, shot, range, project.rate, project.dropFrame),
                render.width, render.height, render.burnIn, render.blur, Map.of(), under.ofShot(render.shotId, range)),
                staleness.now(shot, range, render.blur, under));
    }

    /** Every shot with its own scene's set. */
    private Map<Long, Filmed> filmed(long projectId, Map<Long, ShotRow> rows) {
        Map<Long, Stage> sets = stages.ofProject(projectId);
        Map<Long, Camera> byId = cameras.ofProject(projectId);
        Map<Long, Filmed> filmed = new HashMap<>();
        rows.forEach((id, row) -> filmed.put(id, new Filmed(MasterStore.shot(row), byId.get(row.cameraId), sets.get(row.sceneId))));
        return filmed;
    }

    /** What a whole master would be made from now, by which it is told whether a movie of it still stands. */
    @Transactional(readOnly = true)
    public Fingerprint now(RenderRow render) {
        return read(render.id).fingerprint();
    }

    /** Every master that one nests, at any depth. */
    private Map<Long, Master> nested(Master master) {
        Map<Long, Master> nested = new TreeMap<>();
        Deque<Master> open = new ArrayDeque<>(List.of(master));
        while (!open.isEmpty()) {
            for (Section section : open.pop().sections()) {
                if (section.content() instanceof Section.Content.OfMaster m && !nested.containsKey(m.masterId())) {
                    Master inner = masters.read(store.get(MasterRow.class, m.masterId()));
                    nested.put(inner.id(), inner);
                    open.push(inner);
                }
            }
        }
        return nested;
    }

    private Map<Long, Path> movies(Master master, Map<Long, Master> nested) {
        Map<Long, Path> movies = new HashMap<>();
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.sections().stream()).forEach(s -> {
            if (s.content() instanceof Section.Content.OfRender r) {
                movies.computeIfAbsent(r.renderId(),
                        id -> folders.renders().resolve(store.get(RenderRow.class, id).file));
            }
        });
        return movies;
    }
}
