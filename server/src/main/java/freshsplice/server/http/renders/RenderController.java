package freshsplice.server.http.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.time.FrameRange;
import freshsplice.server.http.files.Attachment;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.Refused;
import freshsplice.server.renders.Drivers;
import freshsplice.server.renders.MasterDrawings;
import freshsplice.server.renders.RecipeEdit;
import freshsplice.server.renders.RecipeEdits;
import freshsplice.server.renders.Recipes;
import freshsplice.server.renders.RenderForecast;
import freshsplice.server.renders.RenderProgress;
import freshsplice.server.renders.RenderQueue;
import freshsplice.server.renders.RenderRequests;
import freshsplice.server.renders.Staleness;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The queue and its movies. */
@RestController
class RenderController {
    /** Which frames of each shot. */
    enum Extent { CLIPS, MISSING, RANGE, ACTION, STILL, MOMENT }

    /**
     * @param extent   which frames of each shot: all that its clips show, as when it is null; what no render has; a range; the whole
     *                 action; one picture; or one picture at a moment of the action
     * @param in       first shot frame of a range
     * @param out      the shot frame after its last
     * @param handles  frames to spare at both ends; none when it is null
     * @param every    every nth frame; all of them when it is null
     * @param grade    draft when it is null
     * @param when     which frame one picture is of; the middle when it is null
     * @param nowShot  a shot that shows the moment of the action that pictures are of
     * @param nowFrame the frame of it
     * @param master   whether to draw a whole master too
     * @param joined   whether that is joined from finished renders, and only what none shows is drawn
     * @param masterId which, null for the project's first
     * @param blur     whether what is out of focus is blurred
     * @param recipe   how they are made; width, height, burnIn and blur say it when it is null
     */
    record Ask(List<Long> shotIds, @Schema(nullable = true) Extent extent, @Schema(nullable = true) Long in,
               @Schema(nullable = true) Long out, @Schema(nullable = true) Integer handles, @Schema(nullable = true) Integer every, @Schema(nullable = true) RenderAsk.When when, @Schema(nullable = true) Long nowShot, @Schema(nullable = true) Long nowFrame,
               @Schema(nullable = true) Grade grade, boolean master, @Schema(nullable = true) Boolean joined, @Schema(nullable = true) Long masterId, int width, int height,
               boolean burnIn, boolean blur, @Schema(nullable = true) Recipe recipe, @Schema(nullable = true) String recipeName) {
        RenderRequests.How how(RenderAsk frames) {
            Recipe asked = recipe == null ? Recipes.plain(width, height, burnIn, blur) : recipe;
            return new RenderRequests.How(grade == null ? Grade.DRAFT : grade, frames.isStill() ? asked.forStills() : asked, recipeName);
        }

        /** @param offset action frames minus shot frames of the shot that shows the moment */
        RenderRequests.RenderOrder wanted(long offset) {
            RenderAsk frames = frames(offset);
            return new RenderRequests.RenderOrder(shotIds, frames, master, Boolean.TRUE.equals(joined), masterId, how(frames));
        }

        private RenderAsk frames(long offset) {
            Extent which = extent == null ? Extent.CLIPS : extent;
            if (which == Extent.MOMENT && (nowShot == null || nowFrame == null)) {
                throw new Refused("A moment is a frame of a shot: put the playhead on one");
            }
            if (which == Extent.RANGE && (in == null || out == null || out <= in)) {
                throw new Refused("A range has at least one frame: set its out behind its in");
            }
            return new RenderAsk(switch (which) {
                case CLIPS -> new RenderAsk.Extent.Clips();
                case MISSING -> new RenderAsk.Extent.Missing();
                case RANGE -> new RenderAsk.Extent.Range(FrameRange.of(in, out));
                case ACTION -> new RenderAsk.Extent.Action();
                case STILL -> new RenderAsk.Extent.Still(when == null ? RenderAsk.When.MIDDLE : when);
                case MOMENT -> new RenderAsk.Extent.Moment(offset + nowFrame);
            }, handles == null ? 0 : handles, every == null ? 1 : every);
        }
    }

    /**
     * @param framesPerSecond while drawing and after; 0 before
     * @param secondsLeft     −1 where it cannot be told yet
     * @param fromFrame       shot frame, or record frame of a master, at its first frame
     * @param elsewhere       whether another program made its pictures
     * @param cameraOf        version of the shot from whose camera it made them; null where that is not known
     * @param awaits          driver that it was begun with, where no machine that is there has it; null where it waits for none
     * @param stale           what changed since, in words; only for the newest of a shot
     */
    record View(long id, @Schema(nullable = true) Long shotId, String name, int version, Grade grade, RenderRow.State state, int width, int height,
                boolean burnIn, boolean blur, long fromFrame, long frames, long framesDone, double framesPerSecond,
                double secondsLeft, long bytes, @Schema(nullable = true) String error, String who, Instant requestedAt, List<String> stale,
                @Schema(nullable = true) String recipe, @Schema(nullable = true) String folder, int handles, long place,
                @Schema(nullable = true) String awaits, boolean elsewhere,
                @Schema(nullable = true) Integer cameraOf) {
    }

    private final Store store;
    private final RenderRequests requests;
    private final RenderQueue queue;
    private final Staleness staleness;
    private final MasterStore masters;
    private final CameraStore cameras;
    private final Folders folders;
    private final MasterDrawings drawings;
    private final RenderProgress progress;
    private final RenderForecast forecast;
    private final RecipeEdits recipes;
    private final Drivers drivers;

    RenderController(Store store, RenderRequests requests, RenderQueue queue, Staleness staleness,
                     MasterStore masters, CameraStore cameras, Folders folders, MasterDrawings drawings, RenderProgress progress, RenderForecast forecast, RecipeEdits recipes, Drivers drivers) {
        this.drivers = drivers;
        this.forecast = forecast;
        this.recipes = recipes;
        this.progress = progress;
        this.cameras = cameras;
        this.drawings = drawings;
        this.store = store;
        this.requests = requests;
        this.queue = queue;
        this.staleness = staleness;
        this.masters = masters;
        this.folders = folders;
    }

    /**
     * All renders of a project, the newest first.
     *
     * @param masterId the master that those of shots are held against; the project's first without
     */
    @GetMapping("/api/projects/{id}/renders")
    @Transactional(readOnly = true)
    public List<View> all(@PathVariable long id, @RequestParam(name = "master", required = false) Long masterId) {
        List<RenderRow> rows = store.where(RenderRow.class, "projectId", id);
        Map<Long, List<String>> stale = new HashMap<>();
        MasterRow master = masters.asked(id, masterId).orElse(null);
        if (master != null) {
            Map<Long, ShotRow> shots = masters.shotRows(id);
            stale.putAll(staleness.of(rows.stream().filter(r -> r.shotId != null && r.state == RenderRow.State.DONE)
                    .toList(), shots, cameras.ofProject(id), masters.read(master), store.get(ProjectRow.class, id).rate));
        }
        newestOfMasters(rows).forEach(r -> stale.put(r.id, drawings.stale(r)));
        return rows.stream().sorted(Comparator.comparingLong((RenderRow r) -> r.id).reversed())
                .map(r -> view(r, stale.getOrDefault(r.id, List.of()))).toList();
    }

    /** The newest finished movie of each whole master that is still there. */
    private List<RenderRow> newestOfMasters(List<RenderRow> rows) {
        Map<Long, RenderRow> newest = new HashMap<>();
        Set<Long> there = masters.all(rows.isEmpty() ? 0 : rows.get(0).projectId).stream().map(m -> m.id)
                .collect(Collectors.toSet());
        rows.stream().filter(r -> r.masterId != null && r.state == RenderRow.State.DONE && there.contains(r.masterId))
                .forEach(r -> newest.merge(r.masterId, r, (a, b) -> a.version > b.version ? a : b));
        return List.copyOf(newest.values());
    }

    private View view(RenderRow r, List<String> stale) {
        boolean drawing = r.state == RenderRow.State.DRAWING;
        long done = drawing ? Math.min(r.frames, Math.max(0, progress.done(r.id))) : r.framesDone;
        double rate = progress.framesPerSecond(r.id);
        return new View(r.id, r.shotId, r.name, r.version, r.grade, r.state, r.width, r.height, r.burnIn, r.blur,
                r.fromPosition.floor(), r.frames, done, rate,
                drawing && rate > 0 ? (r.frames - done) / rate : -1, r.bytes, r.error, r.who, r.requestedAt,
                stale, r.recipeName, r.folder, r.handles, r.place, drivers.awaited(r), r.mediaId != null, r.cameraOf);
    }

    private RenderRequests.RenderOrder wanted(Ask ask) {
        return ask.wanted(ask.nowShot == null ? 0 : store.get(ShotRow.class, ask.nowShot).actionOffset);
    }

    @PostMapping("/api/projects/{id}/renders")
    List<Long> ask(@PathVariable long id, @Valid @RequestBody Ask ask, Asker who) {
        List<Long> ids = requests.ask(id, wanted(ask), who);
        return ids;
    }

    /** What asking for it would do: nothing is done yet. */
    @PostMapping("/api/projects/{id}/renders/forecast")
    RenderForecast.Forecast forecastRenders(@PathVariable long id, @Valid @RequestBody Ask ask) {
        return forecast.of(id, wanted(ask));
    }

    @GetMapping("/api/projects/{id}/recipes")
    List<RecipeEdits.NamedRecipe> recipes(@PathVariable long id) {
        return recipes.of(id);
    }

    @PostMapping("/api/projects/{id}/recipes/edits")
    void editRecipes(@PathVariable long id, @Valid @RequestBody RecipeEdit edit, Asker who) {
        recipes.make(id, edit, who);
    }

    @PostMapping("/api/renders/{id}/pause")
    void pauseRender(@PathVariable long id) {
        queue.pause(id);
    }

    /** Goes on with one that was paused or stopped, or failed, at its first missing frame. */
    @PostMapping("/api/renders/{id}/go-on")
    void goOnWithRender(@PathVariable long id) {
        queue.goOn(id);
    }

    /** Puts a render into the queue before another one; at its end without. */
    @PostMapping("/api/renders/{id}/place")
    void placeRender(@PathVariable long id, @RequestParam(required = false) Long before) {
        requests.place(id, before);
    }

    @PostMapping("/api/renders/{id}/stop")
    void stop(@PathVariable long id) {
        queue.stop(id);
    }

    /** Lets any machine draw what is missing of it, though its frames may differ a little from those that are there. */
    @PostMapping("/api/renders/{id}/any-driver")
    void allowAnyDriver(@PathVariable long id) {
        drivers.allowAny(id);
    }

    @GetMapping("/api/renders/{id}/movie")
    ResponseEntity<Resource> movie(@PathVariable long id) {
        RenderRow row = store.get(RenderRow.class, id);
        Path file = row.file == null ? null : folders.renders().resolve(row.file);
        if (file == null || !Files.exists(file)) {
            throw new NotThere(row.name + " is not finished, or its file was taken from the disk: render it again");
        }
        return Attachment.shown(row.name + ".mp4", MediaType.valueOf("video/mp4"), new FileSystemResource(file));
    }
}
