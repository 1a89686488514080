package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.JoinedRenders;
import freshsplice.core.delivery.MasterFingerprint;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.SeenPiece;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.render.RenderJob;
import freshsplice.core.render.ShotFrames;
import freshsplice.core.render.ShownSet;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.render.JobFile;
import freshsplice.render.Reel;
import freshsplice.server.media.MediaStore;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
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
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads all that a render is drawn from, in one transaction. */
@Component
public class DrawingReader {
    /** Keys of rendered movies begin so. */
    private static final String RENDER = "render ";

    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final CameraStore cameras;
    private final Staleness staleness;
    private final RenderSound sounds;
    private final Folders folders;
    private final Recipes recipes;
    private final RenderBoards boards;
    private final FinishedRenders finished;
    private final MediaStore media;
    private final LookParts looks;

    DrawingReader(Store store, MasterStore masters, StageStore stages, CameraStore cameras, Staleness staleness, RenderSound sounds,
                  Folders folders, Recipes recipes, RenderBoards boards, FinishedRenders finished, MediaStore media, LookParts looks) {
        this.looks = looks;
        this.media = media;
        this.finished = finished;
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
        if (render.mediaId != null) {
            return ofPictures(render, recipes.of(render), project, store.get(ShotRow.class, render.shotId));
        }
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
        JoinedRenders joined = render.joined ? joined(render, master) : null;
        Map<Long, String> movies = movieKeys(master, nested);
        if (joined != null) {
            joined.all().forEach(r -> movies.putIfAbsent(r.id(), RENDER + r.id()));
        }
        Map<String, Reel> reels = movies(movies.values(), master.rate());
        LookParts.Shown shown = shown(recipe, master, nested, filmed);
        RenderBoards.Found boards = recipe.look().board() > 0 || recipe.unstaged() == Recipe.Unstaged.BOARD
                ? this.boards.of(shown.withBoards()) : RenderBoards.Found.NONE;
        reels.putAll(boards.reels());
        FileNames names = new FileNames(project.name, "", name(render), render.grade, "", render.recipeName == null ? "" : render.recipeName);
        RenderJob job = new RenderJob(names, recipe, FinishedRenders.range(render), rate, plan.startLabel());
        return new Drawing(new JobFile.Kept(job, reels, recipe.sound() ? under.pieces(whole(master)) : List.of()),
                new FrameOrders(plan, recipe, true, named(render, boards, movies, rows.values(), joined)), looks.made(render, recipe, boards, shown, fingerprint(render, master, nested, filmed, under, joined)));
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
                new FrameOrders(plan, recipe, false, named(render, boards, Map.of(), List.of(rows.get(render.shotId)), null)),
                under == null ? null : looks.made(render, recipe, boards, LookParts.Shown.of(shot), staleness.now(shot, range, recipe.look().blur(), under)));
    }

    /** A version that another program made: its pictures are read and not drawn. */
    private Drawing ofPictures(RenderRow render, Recipe recipe, ProjectRow project, ShotRow shot) {
        MediaRow media = store.get(MediaRow.class, render.mediaId);
        FrameRate rate = render.rate == null ? project.rate : render.rate;
        Map<Long, MediaRow> files = new HashMap<>();
        LongFunction<PicturePlan.Source> source;
        if (media.kind == MediaRow.Kind.RUN) {
            Map<Long, MediaRow> pictures = this.media.pictures(media);
            pictures.values().forEach(f -> files.put(f.id, f));
            source = k -> new PicturePlan.Source.OfRender(pictures.get(media.startFrame + k).id, 0);
        } else {
            files.put(media.id, media);
            source = k -> new PicturePlan.Source.OfRender(media.id, k);
        }
        Map<Long, String> keys = new HashMap<>();
        Map<String, Reel> reels = new HashMap<>();
        files.forEach((id, file) -> {
            keys.put(id, "media " + id);
            reels.put("media " + id, new Reel(this.media.file(file), rate, file.sha256));
        });
        RenderRange range = FinishedRenders.range(render);
        PicturePlan plan = PicturePlan.ofPictures(render.name, shot.code, range, rate, project.rate, project.dropFrame, source);
        FileNames names = new FileNames(project.name, store.get(SceneRow.class, shot.sceneId).name, name(render), render.grade, "", "");
        RenderJob job = new RenderJob(names, recipe, range, rate, plan.startLabel());
        return new Drawing(new JobFile.Kept(job, reels, List.of()), new FrameOrders(plan, recipe, false, new FrameOrders.Named(Map.of(), keys, Map.of(),
                render.who, "", null)), new Fingerprint(Map.of()));
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

    /**
     * One frame each of some shots.
     *
     * @param kept   their boards, and how they are drawn
     * @param orders one for each shot, in the order that they were asked for
     * @param sets   by their keys
     */
    record Stills(JobFile.Kept kept, List<FrameOrder> orders, Map<String, ShownSet> sets) {
    }

    /** @throws Refused if one of the shots is not there any more */
    @Transactional(readOnly = true)
    public Stills stills(long projectId, List<Long> shotIds, RenderAsk ask, Recipe recipe, String who) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        Map<Long, ShotRow> rows = masters.shotRows(projectId);
        Map<Long, Filmed> filmed = filmed(projectId, rows);
        if (!filmed.keySet().containsAll(shotIds)) {
            throw new Refused("One of the shots does not exist any more: choose again");
        }
        RenderBoards.Found boards = this.boards.of(filmed);
        RenderRow asked = new RenderRow();
        asked.projectId = projectId;
        asked.who = who;
        asked.requestedAt = Instant.now();
        FrameOrders.Named named = named(asked, boards, Map.of(), rows.values(), null);
        List<FrameOrder> orders = new ArrayList<>();
        Map<String, ShownSet> sets = new HashMap<>();
        RenderRange any = null;
        for (long id : shotIds) {
            Filmed shot = filmed.get(id);
            RenderRange range = ask.ranges(new ShotFrames(shot.shot(), shot.shot().cutRange(), List.of()), ShotRenders.NONE).get(0);
            PicturePlan plan = PicturePlan.ofShot(shot.shot().code() + "_v000", shot, range, project.rate, project.rate, project.dropFrame);
            FrameOrders one = new FrameOrders(plan, recipe, true, named);
            orders.add(one.at(0));
            sets.putAll(one.sets());
            any = range;
        }
        FileNames names = new FileNames(project.name, "", new RenderName("sheet", 1), Grade.TRIAL, "", "");
        return new Stills(new JobFile.Kept(new RenderJob(names, recipe, any, project.rate, ""), boards.reels(), List.of()), orders, sets);
    }

    private static RenderName name(RenderRow render) {
        return RenderName.parse(render.name).orElseGet(() -> new RenderName(render.name, render.version));
    }

    private FrameOrders.Named named(RenderRow render, RenderBoards.Found boards, Map<Long, String> movies, Collection<ShotRow> shots,
                                    JoinedRenders joined) {
        Map<Long, String> names = store.where(SceneRow.class, "projectId", render.projectId).stream()
                .collect(Collectors.toMap(s -> s.id, s -> s.name));
        Map<Long, String> scenes = shots.stream().collect(Collectors.toMap(s -> s.id, s -> names.getOrDefault(s.sceneId, "")));
        return new FrameOrders.Named(boards.boards(), movies, scenes, render.who, render.requestedAt.toString().substring(0, 10), joined);
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

    /** What changed since a movie of a whole master was made, in words; empty where it still stands. */
    @Transactional(readOnly = true)
    public List<String> stale(RenderRow render) {
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        Master master = masters.read(store.get(MasterRow.class, render.masterId));
        Map<Long, Filmed> filmed = filmed(project.id);
        Map<Long, Master> nested = nested(master);
        Fingerprint now = fingerprint(render, master, nested, filmed, sounds.under(master, project.rate),
                render.joined ? joined(render, master) : null);
        return staleness.ofMaster(render, now, shown(recipes.of(render), master, nested, filmed));
    }

    private static LookParts.Shown shown(Recipe recipe, Master master, Map<Long, Master> nested, Map<Long, Filmed> filmed) {
        Map<Long, Filmed> shown = new HashMap<>();
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.sections().stream()).map(Section::shotId)
                .filter(filmed::containsKey).forEach(id -> shown.put(id, filmed.get(id)));
        Map<Long, Filmed> withBoards = new HashMap<>(shown);
        withBoards.values().removeIf(f -> recipe.look().board() == 0 && f.camera().isStaged());
        return new LookParts.Shown(withBoards, shown.values().stream().map(Filmed::stage).toList());
    }

    private static Fingerprint fingerprint(RenderRow render, Master master, Map<Long, Master> nested, Map<Long, Filmed> filmed,
                                           RenderSound.Under under, JoinedRenders joined) {
        Fingerprint drawn = MasterFingerprint.of(master, nested, filmed, render.blur, under.lines(whole(master)));
        if (joined == null) {
            return drawn;
        }
        // what is joined changes with the renders that are, and not before
        Map<String, String> parts = new HashMap<>(Map.of("renders", joined.digest()));
        Stream.of("edit", "sound").forEach(part -> parts.put(part, drawn.parts().get(part)));
        return new Fingerprint(parts);
    }

    /** The renders of a master's shots that are good enough for a movie of some grade. */
    private JoinedRenders joined(RenderRow render, Master master) {
        LivePieces live = new LivePieces(masters.nested());
        return new JoinedRenders(SeenPiece.ofLive(live.of(master)).stream().filter(p -> p.section().shotId() != 0).toList(),
                finished.of(render.projectId, grade -> grade.compareTo(render.grade) >= 0));
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
                keys.computeIfAbsent(r.renderId(), id -> RENDER + standing(store.get(RenderRow.class, id)).id);
            }
        });
        return keys;
    }

    private RenderRow standing(RenderRow laid) {
        return store.where(RenderRow.class, "projectId", laid.projectId).stream().filter(r -> r.name.equals(laid.name)
                        && r.state == RenderRow.State.DONE && r.frames == laid.frames && r.grade.counts())
                .max(Comparator.comparing((RenderRow r) -> r.grade)).orElse(laid);
    }

    /** @param key of a rendered movie */
    static long renderOf(String key) {
        return Long.parseLong(key.substring(RENDER.length()));
    }

    /** @param keys as {@link #movieKeys} gives them; @param rate of those that say none */
    private Map<String, Reel> movies(Collection<String> keys, FrameRate rate) {
        Map<String, Reel> reels = new HashMap<>();
        keys.forEach(key -> {
            RenderRow row = store.get(RenderRow.class, renderOf(key));
            reels.put(key, new Reel(folders.renders().resolve(row.file), row.rate == null ? rate : row.rate, row.sha256 == null ? "" : row.sha256));
        });
        return reels;
    }
}
