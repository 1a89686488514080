package freshsplice.server.http.projects;

import freshsplice.core.delivery.PictureSize;
import freshsplice.server.cuts.Intake;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.projects.NewProjects;
import freshsplice.server.projects.ProjectPicture;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.StepRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.Renumbering;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.ReadOnce;
import freshsplice.server.steps.Room;
import freshsplice.server.steps.StepHistory;
import freshsplice.server.steps.Steps;
import freshsplice.server.steps.TouchLog;
import freshsplice.server.stores.masters.MasterStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Productions: made, listed, watched, and their steps undone and redone. */
@RestController
@RequestMapping("/api/projects")
class ProjectController {
    record NewProject(String name) {
    }

    record Brief(long id, String name) {
    }

    record Cut(long id, int version, String name, CutRow.State state, Instant receivedAt) {
    }

    record Step(String name, String who, Instant madeAt) {
    }

    /**
     * @param masterId its master; null before a cut is received
     * @param sceneId  its scene; null before a cut is received
     * @param againstCutId the cut that the master is held against
     * @param undo     the step that an undo would take back; null where there is none
     */
    record View(long id, String name, long seq, @Schema(nullable = true) Long masterId, @Schema(nullable = true) Long sceneId, String scene, @Schema(nullable = true) Long againstCutId,
                int pictureWidth, int pictureHeight, List<PictureSize> sizes, String rate, int handles, List<Cut> cuts, @Schema(nullable = true) Step undo, @Schema(nullable = true) Step redo) {
        View of(long newestSeq, List<Cut> allCuts, Step ownUndo, Step ownRedo) {
            return new View(id, name, newestSeq, masterId, sceneId, scene, againstCutId, pictureWidth, pictureHeight, sizes, rate, handles, allCuts, ownUndo,
                    ownRedo);
        }
    }

    /** A step of the history. @param done whether it holds; else it can be done again */
    record Past(long seq, String name, String who, Instant madeAt, boolean done) {
    }

    /** @param said what was made even, in words; empty where nothing had to be */
    record PictureChanged(String said) {
    }

    private static final int BYTES_A_PROJECT = 1000;
    private static final long MOST_BYTES = 4L << 20;
    private static final int LONGEST_HISTORY = 500;
    private static final int MOST_CLIPS_TOLD = 50;

    private final Store store;
    private final MasterStore masters;
    private final Intake intake;
    private final Steps steps;
    private final StepHistory history;
    private final ReadOnce<Long, View> views;
    private final LiveUpdates live;
    private final Renumbering renumbering;
    private final ProjectPicture picture;

    ProjectController(Store store, MasterStore masters, Intake intake, Steps steps, StepHistory history,
                      LiveUpdates live, Renumbering renumbering, ProjectPicture picture, TouchLog touched) {
        this.picture = picture;
        this.history = history;
        this.views = new ReadOnce<>(touched, EnumSet.of(Room.TRACKS, Room.SET, Room.RULES), MOST_BYTES, view -> BYTES_A_PROJECT);
        this.renumbering = renumbering;
        this.store = store;
        this.masters = masters;
        this.intake = intake;
        this.steps = steps;
        this.live = live;
    }

    @GetMapping
    @Transactional(readOnly = true)
    public List<Brief> all() {
        return store.entities().createQuery("select p from ProjectRow p where p.alive = true order by p.id",
                ProjectRow.class).getResultStream().map(p -> new Brief(p.id, p.name)).toList();
    }

    @PostMapping
    @Transactional
    public Brief create(@Valid @RequestBody NewProject wanted) {
        String name = wanted.name() == null ? "" : wanted.name().replaceAll("\\p{Cntrl}", " ").strip();
        if (name.isEmpty() || name.length() > 200) {
            throw new Refused("A project needs a name of 1 to 200 letters");
        }
        ProjectRow project = store.add(NewProjects.plain(name));
        return new Brief(project.id, project.name);
    }

    @GetMapping("/{id}")
    @Transactional(readOnly = true)
    public View one(@PathVariable long id, Asker who) {
        ProjectRow project = store.get(ProjectRow.class, id);
        View shared = views.of(project, id, () -> ofAll(project));
        StepHistory.OfPerson own = history.of(id, who.name());
        return shared.of(project.seq, cuts(id), own.undo().map(ProjectController::step).orElse(null),
                own.redo().map(ProjectController::step).orElse(null));
    }

    /** What is the same for everybody. */
    private View ofAll(ProjectRow project) {
        MasterRow master = masters.of(project.id).orElse(null);
        SceneRow scene = master == null ? null : store.get(SceneRow.class, master.sceneId);
        return new View(project.id, project.name, project.seq, master == null ? null : master.id,
                scene == null ? null : scene.id, scene == null ? "" : "Scene " + scene.code + ", " + scene.name,
                master == null ? null : master.cutId, project.pictureWidth, project.pictureHeight,
                new PictureSize(project.pictureWidth, project.pictureHeight).usual(), project.rate.toString(), project.handles,
                List.of(), null, null);
    }

    /** Also cuts that are only given yet, which no step tells of. */
    private List<Cut> cuts(long projectId) {
        return intake.all(projectId).stream().map(c -> new Cut(c.id, c.version, c.name, c.state, c.receivedAt)).toList();
    }

    private static Step step(StepHistory.Brief step) {
        return new Step(step.name(), step.who(), step.madeAt());
    }

    /** What would become of the shots' numbers, in the order of a master. */
    @GetMapping("/{id}/renumber")
    List<Renumbering.Change> renumbered(@PathVariable long id, @RequestParam long master,
                                        @RequestParam(required = false) String prefix,
                                        @RequestParam(required = false) Integer first,
                                        @RequestParam(required = false) Integer step) {
        return renumbering.plan(master, new Renumbering.Rules(prefix, first, step));
    }

    /** Changes the picture that all cameras film and all renders are of; views and renders follow. @return what was made even, in words */
    @PostMapping("/{id}/picture")
    PictureChanged changePicture(@PathVariable long id, @Valid @RequestBody ProjectPicture.PictureFormat wanted, Asker who) {
        return new PictureChanged(picture.change(id, wanted, who));
    }

    /** Numbers the shots of a master anew; the old numbers stay known. */
    @PostMapping("/{id}/renumber")
    void renumber(@PathVariable long id, @RequestParam long master, @RequestParam(required = false) String prefix,
                  @RequestParam(required = false) Integer first, @RequestParam(required = false) Integer step,
                  Asker who) {
        renumbering.make(master, new Renumbering.Rules(prefix, first, step), who);
    }

    @PostMapping("/{id}/undo")
    Step undo(@PathVariable long id, Asker who) {
        return new Step(steps.undo(id, who), who.name(), Instant.now());
    }

    @PostMapping("/{id}/redo")
    Step redo(@PathVariable long id, Asker who) {
        return new Step(steps.redo(id, who), who.name(), Instant.now());
    }

    /** The newest steps first. */
    @GetMapping("/{id}/history")
    List<Past> history(@PathVariable long id) {
        return history.history(id, LONGEST_HISTORY).stream().map(s -> new Past(s.seq, s.name, s.who, s.madeAt,
                s.state == StepRow.State.DONE)).toList();
    }

    /** Undoes or redoes until a step is the last one that holds; 0 undoes all. @return how many steps that took */
    @PostMapping("/{id}/history/{seq}")
    int goTo(@PathVariable long id, @PathVariable long seq, Asker who) {
        return steps.goTo(id, seq, who);
    }

    /** Tells the others where this window is. Nothing of it is kept. */
    @PostMapping("/{id}/here")
    void here(@PathVariable long id, @Valid @RequestBody LiveUpdates.Whereabouts here, Asker who) {
        List<Long> clips = here.clips() == null ? List.of() : here.clips().stream().limit(MOST_CLIPS_TOLD).toList();
        live.tell(id, new LiveUpdates.Whereabouts(here.window(), who.name(), here.masterId(), here.frame(), clips));
    }

    /**
     * What happens in the project, as it happens; a new line begins with where the project stands.
     *
     * @param master which one the window shows: what edits change of it comes on the same line; one of another project is none
     */
    @GetMapping(value = "/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live(@PathVariable long id, @RequestParam(required = false) Long master) {
        MasterRow shown = master == null ? null : store.entities().find(MasterRow.class, master);
        return live.open(id, shown == null || shown.projectId != id ? null : master, () -> store.get(ProjectRow.class, id).seq);
    }
}
