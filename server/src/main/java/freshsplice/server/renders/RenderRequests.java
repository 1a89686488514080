package freshsplice.server.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.delivery.ShotStands;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.render.ShotFrames;
import freshsplice.core.render.Versions;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.RetimeKeys;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.StageStore;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for renders: each gets a version of its own name, and no name is ever given twice at one grade. */
@Service
public class RenderRequests {
    /** How they are made. @param recipeName null for one that has none */
    public record How(Grade grade, Recipe recipe, String recipeName) {
    }

    /** More at once were not meant, and would keep everybody else waiting. */
    private static final int MOST = 10_000;

    private final Store store;
    private final MasterStore masters;
    private final FinishedRenders finished;
    private final RenderTasks tasks;
    private final Recipes recipes;
    private final StageStore stages;

    RenderRequests(Store store, MasterStore masters, FinishedRenders finished, RenderTasks tasks, Recipes recipes, StageStore stages) {
        this.stages = stages;
        this.tasks = tasks;
        this.recipes = recipes;
        this.store = store;
        this.masters = masters;
        this.finished = finished;
    }

    /**
     * What is asked for.
     *
     * @param shotIds  shots, drawn one by one
     * @param ask      what of each of them
     * @param master   whether to draw the whole master as one movie too
     * @param joined   whether that is joined from finished renders, and only what none shows is drawn
     * @param masterId which; null for the project's first
     */
    public record RenderOrder(List<Long> shotIds, RenderAsk ask, boolean master, boolean joined, Long masterId, How how) {
    }

    /**
     * A render that would be made.
     *
     * @param held   for how many frames of its movies each frame of the range is held
     * @param played frames of its movies
     * @param shotId null for a whole master
     * @param rate   frames/s of its movies
     */
    record PlannedRender(RenderName name, RenderRange range, int held, long played, Long shotId, Long masterId, FrameRate rate, String project, String scene) {
    }

    /** The shots of a project with all that can be rendered of them. */
    public final class Shots {
        private final Map<Long, ShotRow> rows;
        private final Map<Long, List<SeenClip>> clips;
        private final Map<Long, FrameRange> actions = new HashMap<>();

        private Shots(Map<Long, ShotRow> rows, Map<Long, List<SeenClip>> clips) {
            this.rows = rows;
            this.clips = clips;
        }

        public Map<Long, ShotRow> rows() {
            return rows;
        }

        public ShotFrames frames(ShotRow shot) {
            return new ShotFrames(MasterStore.shot(shot), actions.computeIfAbsent(shot.sceneId, scene -> action(scene, rows)),
                    clips.getOrDefault(shot.id, List.of()));
        }
    }

    /** As the project's first master shows them. */
    Shots shots(long projectId) {
        return new Shots(masters.shotRows(projectId), masters.of(projectId).map(m -> clips(masters.read(m))).orElse(Map.of()));
    }

    /** The renders that would be made, in order. @throws Refused if they could not be */
    List<PlannedRender> plan(long projectId, RenderOrder wanted) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        MasterRow masterRow = masters.asked(projectId, wanted.masterId()).orElseThrow(() -> new Refused("There is nothing to render yet: receive a cut first"));
        Master sequence = masters.read(masterRow);
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        Shots all = new Shots(shots, clips(sequence));
        How how = wanted.how();
        FrameRate rate = how.recipe().rate(project.rate);
        Map<Long, String> scenes = store.where(SceneRow.class, "projectId", projectId).stream().collect(Collectors.toMap(r -> r.id, r -> r.name));
        ShotRenders known = finished.of(projectId, g -> g.compareTo(how.grade()) >= 0);
        Versions versions = versions(projectId);
        List<PlannedRender> planned = new ArrayList<>();
        for (Long shotId : wanted.shotIds()) {
            ShotRow shot = shots.get(shotId);
            if (shot == null) {
                throw new Refused("One of the shots does not exist any more: choose again");
            }
            for (RenderRange counted : wanted.ask().ranges(all.frames(shot), known)) {
                RenderRange whole = counted.at(project.rate, rate);
                RenderRange range = wanted.ask().drawn(whole);
                planned.add(new PlannedRender(versions.take(shot.code, how.grade(), range), range, wanted.ask().held(), whole.frames(), shotId, null, rate, project.name,
                        scenes.getOrDefault(shot.sceneId, "")));
            }
        }
        if (wanted.master()) {
            RenderRange range = new RenderRange(Rational.of(sequence.start()), Rational.ONE,
                    Math.max(1, sequence.end() - sequence.start())).at(project.rate, rate);
            planned.add(new PlannedRender(versions.take(RenderName.fileSafe(masterRow.name), how.grade(), range), range, 1, range.frames(), null, masterRow.id, rate,
                    project.name, ""));
        }
        if (planned.size() > MOST) {
            throw new Refused("At most " + MOST + " renders are asked for at once, not " + planned.size());
        }
        return planned;
    }

    private FrameRange action(long sceneId, Map<Long, ShotRow> shots) {
        return ShotFrames.action(shots.values().stream().filter(s -> s.sceneId == sceneId).map(MasterStore::shot).toList(), stages.stage(sceneId));
    }

    @Transactional
    public List<Long> ask(long projectId, RenderOrder wanted, Asker who) {
        // one after another, so that no name is given twice
        ProjectRow project = store.entities().find(ProjectRow.class, projectId, LockModeType.PESSIMISTIC_WRITE);
        long recipe = recipes.textId(wanted.how().recipe());
        List<Long> ids = new ArrayList<>();
        for (PlannedRender planned : plan(projectId, wanted)) {
            RenderRow row = row(project, planned, recipe, wanted.how(), who);
            row.handles = planned.shotId() == null || wanted.ask().isStill() ? 0 : wanted.ask().handles();
            row.joined = planned.shotId() == null && wanted.joined();
            store.add(row);
            row.place = row.id;
            ids.add(row.id);
        }
        tasks.begin(ids);
        return ids;
    }

    /** Puts a render into the queue before another one. @param before null for its end */
    @Transactional
    public void place(long renderId, Long before) {
        RenderRow moved = store.get(RenderRow.class, renderId);
        List<RenderRow> queue = new ArrayList<>(store.where(RenderRow.class, "projectId", moved.projectId).stream()
                .filter(r -> r.state == RenderRow.State.WAITING || r.state == RenderRow.State.DRAWING)
                .sorted(Comparator.comparingLong(r -> r.place)).toList());
        if (!queue.remove(moved)) {
            throw new Refused(moved.name + " waits no more: only what waits has a place in the queue");
        }
        List<Long> places = new ArrayList<>(queue.stream().map(r -> r.place).toList());
        places.add(moved.place);
        places.sort(null);
        int at = before == null ? queue.size() : Math.max(0, queue.indexOf(store.get(RenderRow.class, before)));
        queue.add(at, moved);
        for (int i = 0; i < queue.size(); i++) {
            if (queue.get(i).place != places.get(i)) {
                queue.get(i).place = places.get(i);
                tasks.place(queue.get(i).id, places.get(i));
            }
        }
    }

    private Map<Long, List<SeenClip>> clips(Master master) {
        LiveClips live = new LiveClips(masters.nested());
        return ShotStands.clips(IntStream.range(0, master.tracks().size()).mapToObj(track -> live.ofTrack(master, track)).toList(),
                live.of(master));
    }

    Versions versions(long projectId) {
        return new Versions(store.where(RenderRow.class, "projectId", projectId).stream().flatMap(row -> RenderName.parse(row.name).stream()
                .map(name -> new Versions.Entry(name, row.grade, FinishedRenders.range(row), row.state == RenderRow.State.DONE))).toList());
    }

    static RenderRow row(ProjectRow project, PlannedRender planned, long recipe, How how, Asker who) {
        RenderRange range = planned.range();
        RenderRow row = new RenderRow();
        row.projectId = project.id;
        row.shotId = planned.shotId();
        row.masterId = planned.masterId();
        row.version = planned.name().version();
        row.name = planned.name().toString();
        row.grade = how.grade();
        row.state = RenderRow.State.WAITING;
        row.recipeTextId = recipe;
        row.recipeName = how.recipeName();
        row.width = how.recipe().look().width();
        row.height = how.recipe().look().height();
        row.burnIn = !how.recipe().burnIn().isEmpty();
        row.blur = how.recipe().look().blur();
        row.rate = planned.rate();
        row.fromPosition = range.from();
        row.speed = range.speed();
        row.frames = range.frames();
        row.held = planned.held();
        row.played = planned.held() == 1 ? null : (Long) planned.played();
        row.retimeKeys = range.retimeKeys().isEmpty() ? RetimeKeys.NONE : new RetimeKeys(range.retimeKeys());
        row.who = who.name();
        row.requestedAt = Instant.now();
        return row;
    }
}
