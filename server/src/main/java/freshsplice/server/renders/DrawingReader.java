package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.MasterFingerprint;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.render.JobFile;
import freshsplice.render.Reel;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
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
    private final Recipes recipes;
    private final RenderBoards boards;

    DrawingReader(Store store, MasterStore masters, StageStore stages, CameraStore cameras, Staleness staleness, RenderSound sounds,
                  Folders folders, Recipes recipes, RenderBoards boards) {
        this.recipes = recipes;
        this.boards = boards;
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
        return render.shotId == null ? whole(render, project, master, rows, filmed, under) : ofShot(render, recipes.of(render), project, rows, filmed, under);
    }

    private Drawing whole(RenderRow render, ProjectRow project, Master master, Map<Long, ShotRow> rows, Map<Long, Filmed> filmed,
                          RenderSound.Under under) {
        Recipe recipe = recipes.of(render);
        FrameRate rate = recipe.rate(project.rate);
        Map<Long, Master> nested = nested(master);
        PicturePlan plan = PicturePlan.ofMaster(render.name, master, render.frames, rate, nested, filmed);
        Map<Long, String> movies = movieKeys(master, nested);
        Map<String, Reel> reels = movies(movies.values(), master.rate());
        RenderBoards.Found boards = recipe.look().board() > 0 || recipe.unstaged() == Recipe.Unstaged.BOARD
                ? this.boards.of(filmed) : RenderBoards.Found.NONE;
        reels.putAll(boards.reels());
        FileNames names = new FileNames(project.name, "", name(render), render.grade, "", render.recipeName == null ? "" : render.recipeName);
        RenderJob job = new RenderJob(names, recipe, FinishedRenders.range(render), rate, plan.startLabel());
        return new Drawing(new JobFile.Kept(job, reels, recipe.sound() ? under.pieces(whole(master)) : List.of()),
                new FrameOrders(plan, recipe, true, named(render, boards, movies, rows.values())), fingerprint(render, master, nested, filmed, under));
    }

    private Drawing ofShot(RenderRow render, Recipe recipe, ProjectRow project, Map<Long, ShotRow> rows, Map<Long, Filmed> filmed,
                           RenderSound.Under under) {
        FrameRate rate = recipe.rate(project.rate);
        Filmed shot = filmed.get(render.shotId);
        RenderRange range = FinishedRenders.range(render);
        PicturePlan plan = PicturePlan.ofShot(render.name, shot, range, rate, project.rate, project.dropFrame);
        RenderBoards.Found boards = recipe.look().board() > 0 ? this.boards.of(Map.of(render.shotId, shot)) : RenderBoards.Found.NONE;
        SceneRow scene = store.get(SceneRow.class, rows.get(render.shotId).sceneId);
        FileNames names = new FileNames(project.name, scene.name, name(render), render.grade, shot.camera().name(),
                render.recipeName == null ? "" : render.recipeName);
        RenderJob job = new RenderJob(names, recipe, range, rate, plan.startLabel());
        return new Drawing(new JobFile.Kept(job, boards.reels(), recipe.sound() ? under.ofShot(render.shotId, range) : List.of()),
                new FrameOrders(plan, recipe, false, named(render, boards, Map.of(), List.of(rows.get(render.shotId)))),
                under == null ? null : staleness.now(shot, range, recipe.look().blur(), under));
    }

    /** One frame of a shot as a recipe has it. @param who asks for it */
    @Transactional(readOnly = true)
    public Drawing frame(long shotId, Rational position, Recipe recipe, String who) {
        ShotRow shot = store.get(ShotRow.class, shotId);
        ProjectRow project = store.get(ProjectRow.class, shot.projectId);
        RenderRow one = new RenderRow();
        one.projectId = project.id;
        one.shotId = shotId;
        one.name = shot.code + "_trial_v001";
        one.grade = Grade.TRIAL;
        one.fromPosition = position;
        one.speed = Rational.ONE;
        one.frames = 1;
        one.who = who;
        one.requestedAt = Instant.now();
        Map<Long, ShotRow> rows = masters.shotRows(project.id);
        return ofShot(one, recipe.silent(), project, rows, filmed(project.id, rows), null);
    }

    private static RenderName name(RenderRow render) {
        return RenderName.parse(render.name).orElseGet(() -> new RenderName(render.name, render.version));
    }

    private FrameOrders.Named named(RenderRow render, RenderBoards.Found boards, Map<Long, String> movies, Collection<ShotRow> shots) {
        Map<Long, String> names = store.where(SceneRow.class, "projectId", render.projectId).stream()
                .collect(Collectors.toMap(s -> s.id, s -> s.name));
        Map<Long, String> scenes = shots.stream().collect(Collectors.toMap(s -> s.id, s -> names.getOrDefault(s.sceneId, "")));
        return new FrameOrders.Named(boards.boards(), movies, scenes, render.who, render.requestedAt.toString().substring(0, 10));
    }

    /** Every shot of a project, by its id. */
    Map<Long, Filmed> filmed(long projectId) {
        return filmed(projectId, masters.shotRows(projectId));
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
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        Master master = masters.read(store.get(MasterRow.class, render.masterId));
        return fingerprint(render, master, nested(master), filmed(project.id), sounds.under(master, project.rate));
    }

    private static Fingerprint fingerprint(RenderRow render, Master master, Map<Long, Master> nested, Map<Long, Filmed> filmed,
                                           RenderSound.Under under) {
        return MasterFingerprint.of(master, nested, filmed, render.blur, under.lines(whole(master)));
    }

    private static FrameRange whole(Master master) {
        return FrameRange.ofLength(master.start(), Math.max(1, master.end() - master.start()));
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

    /** Keys of the rendered movies that a master shows. A final stands where the draft of its name was laid. */
    private Map<Long, String> movieKeys(Master master, Map<Long, Master> nested) {
        Map<Long, String> keys = new HashMap<>();
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.sections().stream()).forEach(s -> {
            if (s.content() instanceof Section.Content.OfRender r) {
                keys.computeIfAbsent(r.renderId(), id -> "render " + standing(store.get(RenderRow.class, id)).id);
            }
        });
        return keys;
    }

    private RenderRow standing(RenderRow laid) {
        return store.where(RenderRow.class, "projectId", laid.projectId).stream().filter(r -> r.name.equals(laid.name)
                        && r.state == RenderRow.State.DONE && r.frames == laid.frames && r.grade.counts())
                .max(Comparator.comparing((RenderRow r) -> r.grade)).orElse(laid);
    }

    /** @param keys as {@link #movieKeys} gives them; @param rate of those that say none */
    private Map<String, Reel> movies(Collection<String> keys, FrameRate rate) {
        Map<String, Reel> reels = new HashMap<>();
        keys.forEach(key -> {
            RenderRow row = store.get(RenderRow.class, Long.parseLong(key.substring("render ".length())));
            reels.put(key, new Reel(folders.renders().resolve(row.file), row.rate == null ? rate : row.rate, row.sha256 == null ? "" : row.sha256));
        });
        return reels;
    }
}
