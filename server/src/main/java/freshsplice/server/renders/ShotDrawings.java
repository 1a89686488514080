package freshsplice.server.renders;

import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.render.RenderJob;
import freshsplice.core.render.ShotFrames;
import freshsplice.core.render.ShownSet;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.render.JobFile;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads what pictures of single shots are drawn from. */
@Component
class ShotDrawings {
    private final Store store;
    private final FilmedShots shots;
    private final Staleness staleness;
    private final RenderBoards boards;
    private final LookParts looks;

    ShotDrawings(Store store, FilmedShots shots, Staleness staleness, RenderBoards boards, LookParts looks) {
        this.store = store;
        this.shots = shots;
        this.staleness = staleness;
        this.boards = boards;
        this.looks = looks;
    }

    /** @param under what is heard under the cut; null for a picture without sound that is nobody's render */
    Drawing of(RenderRow render, Recipe recipe, ProjectRow project, FilmedShots.Of all, RenderSound.Under under) {
        FrameRate rate = recipe.rate(project.rate);
        FilmedShot shot = all.filmed().get(render.shotId);
        RenderRange range = FinishedRenders.range(render);
        PicturePlan plan = PicturePlan.ofShot(render.name, shot, range, rate, project.rate, project.dropFrame);
        RenderBoards.Boards boards = recipe.look().board() > 0 ? this.boards.of(Map.of(render.shotId, shot)) : RenderBoards.Boards.NONE;
        SceneRow scene = store.get(SceneRow.class, all.rows().get(render.shotId).sceneId);
        FileNames names = new FileNames(project.name, scene.name, FinishedRenders.name(render), render.grade, shot.camera().name(),
                render.recipeName == null ? "" : render.recipeName);
        RenderJob job = new RenderJob(names, recipe, range, rate, plan.startLabel(), render.held, render.played());
        RenderRange whole = FinishedRenders.whole(render, project.rate);
        return new Drawing(new JobFile.Contents(job, boards.reels(), recipe.sound() ? under.ofShot(render.shotId, whole) : List.of()),
                new FrameOrders(plan, recipe, false, shots.named(render, boards, Map.of(), List.of(all.rows().get(render.shotId)), null)),
                under == null ? null : looks.made(render, recipe, boards, LookParts.Sight.of(shot), staleness.now(shot, range, whole, recipe.look().blur(), under)));
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
        return of(one, recipe.silent(), project, shots.of(project.id), null);
    }

    /**
     * One frame each of some shots.
     *
     * @param kept   their boards, and how they are drawn
     * @param orders one for each shot, in the order that they were asked for
     * @param sets   by their keys
     */
    record Stills(JobFile.Contents kept, List<FrameOrder> orders, Map<String, ShownSet> sets) {
    }

    /** @throws Refused if one of the shots is not there any more */
    @Transactional(readOnly = true)
    public Stills stills(long projectId, List<Long> shotIds, RenderAsk ask, Recipe recipe, String who) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        FilmedShots.Of all = shots.of(projectId);
        Map<Long, FilmedShot> filmed = all.filmed();
        if (!filmed.keySet().containsAll(shotIds)) {
            throw new Refused("One of the shots does not exist any more: choose again");
        }
        RenderBoards.Boards boards = this.boards.of(filmed);
        RenderRow asked = new RenderRow();
        asked.projectId = projectId;
        asked.who = who;
        asked.requestedAt = Instant.now();
        FrameOrders.Names named = shots.named(asked, boards, Map.of(), all.rows().values(), null);
        List<FrameOrder> orders = new ArrayList<>();
        Map<String, ShownSet> sets = new HashMap<>();
        RenderRange any = null;
        for (long id : shotIds) {
            FilmedShot shot = filmed.get(id);
            RenderRange range = ask.ranges(new ShotFrames(shot.shot(), shot.shot().cutRange(), List.of()), ShotRenders.NONE).get(0);
            PicturePlan plan = PicturePlan.ofShot(shot.shot().code() + "_v000", shot, range, project.rate, project.rate, project.dropFrame);
            FrameOrders one = new FrameOrders(plan, recipe, true, named);
            orders.add(one.at(0));
            sets.putAll(one.sets());
            any = range;
        }
        FileNames names = new FileNames(project.name, "", new RenderName("sheet", 1), Grade.TRIAL, "", "");
        return new Stills(new JobFile.Contents(new RenderJob(names, recipe, any, project.rate, ""), boards.reels(), List.of()), orders, sets);
    }
}
