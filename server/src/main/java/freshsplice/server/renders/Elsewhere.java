package freshsplice.server.renders;

import freshsplice.core.cut.ImageSequence;
import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.MadeElsewhere;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.ShotFrames;
import freshsplice.core.time.FrameRate;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Runs;
import freshsplice.server.steps.Asker;
import jakarta.persistence.LockModeType;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Movies and runs of pictures that other programs made, taken in as versions of shots: checked first, then like any render of ours. */
@Service
public class Elsewhere {
    /**
     * What would become of a file or a run.
     *
     * @param name   of the file, or of the run
     * @param shotId null where its name is no shot's and nobody said which
     * @param render name that it would have
     * @param from   shot frame of its first picture
     * @param wrong  why it cannot be taken in; empty where it can
     * @param words  what somebody should know before
     * @param cameras versions of ours of the shot, the newest first: it may be made from the camera of one
     * @param cameraOf that of them which its name says; null where it says none
     */
    public record Offer(String name, Long shotId, String render, long from, long frames, int width, int height, String rate, String wrong, List<String> words,
                        List<Integer> cameras, Integer cameraOf) {
    }

    /** Its files by their numbers, one for a movie. */
    private record Pictures(String name, TreeMap<Long, MediaRow> files) {
        MediaRow one() {
            return files.firstEntry().getValue();
        }

        boolean isRun() {
            return one().kind == MediaRow.Kind.PICTURE;
        }
    }

    /** What is to be made of pictures. */
    private record Plan(Offer offer, Pictures pictures, MadeElsewhere checked, RenderName render) {
    }

    private final Store store;
    private final RenderRequests requests;
    private final RenderTasks tasks;
    private final Recipes recipes;
    private final Runs runs;

    Elsewhere(Store store, RenderRequests requests, RenderTasks tasks, Recipes recipes, Runs runs) {
        this.runs = runs;
        this.store = store;
        this.requests = requests;
        this.tasks = tasks;
        this.recipes = recipes;
    }

    /**
     * What would be made of files that came.
     *
     * @param names  of the files, as they were given
     * @param shotId the shot that all are of; null where their names say it
     */
    @Transactional(readOnly = true)
    public List<Offer> offers(long projectId, List<String> names, Long shotId) {
        return plans(store.get(ProjectRow.class, projectId), names, shotId, Grade.DRAFT).stream().map(Plan::offer).toList();
    }

    /**
     * Takes them in.
     *
     * @param cameras the version of ours from whose camera each was made, by the name of the file or run: 0 where nobody knows, what its name says
     *                where nothing stands there
     * @return ids of the renders; what cannot be taken in is left
     * @throws Refused if nothing can
     */
    @Transactional
    public List<Long> take(long projectId, List<String> names, Long shotId, Grade grade, Map<String, Integer> cameras, Asker who) {
        if (!grade.counts()) {
            throw new Refused("What is made elsewhere is a draft or a final: a trial never counts");
        }
        ProjectRow project = store.entities().find(ProjectRow.class, projectId, LockModeType.PESSIMISTIC_WRITE);
        List<Long> ids = new ArrayList<>();
        for (Plan plan : plans(project, names, shotId, grade)) {
            if (plan.offer().wrong().isEmpty()) {
                ids.add(add(project, plan, grade, cameras.get(plan.offer().name()), who));
            }
        }
        if (ids.isEmpty()) {
            throw new Refused("None of that can be taken in: look at what is said beside each");
        }
        tasks.begin(ids);
        return ids;
    }

    private long add(ProjectRow project, Plan plan, Grade grade, Integer cameraOf, Asker who) {
        Pictures pictures = plan.pictures();
        FrameRate rate = rate(pictures, project);
        Recipe recipe = Recipe.of(new FrameLook(even(pictures.one().width), even(pictures.one().height), 100, FrameLook.Edges.PLAIN, 0, 2, false, 0),
                List.of(), OutputKind.H264).silent();
        RenderRow row = RenderRequests.row(project, new RenderRequests.PlannedRender(plan.render(), plan.checked().range(), 1, plan.checked().range().frames(), plan.offer().shotId(), null, rate,
                project.name, ""), recipes.textId(recipe), new RenderRequests.How(grade, recipe, null), who);
        row.mediaId = pictures.isRun() ? runs.add(pictures.name(), pictures.files(), rate).id : pictures.one().id;
        row.cameraOf = cameraOf == null ? plan.offer().cameraOf() : plan.offer().cameras().contains(cameraOf) ? cameraOf : null;
        store.add(row);
        row.place = row.id;
        return row.id;
    }

    /** A movie has an even number of pixels a side. */
    private static int even(int pixels) {
        return Math.max(16, pixels / 2 * 2);
    }

    private static FrameRate rate(Pictures pictures, ProjectRow project) {
        return pictures.isRun() || pictures.one().rate == null ? project.rate : pictures.one().rate;
    }

    private List<Plan> plans(ProjectRow project, List<String> names, Long shotId, Grade grade) {
        RenderRequests.Shots shots = requests.shots(project.id);
        var versions = requests.versions(project.id);
        Map<Long, NavigableSet<Integer>> drawn = drawn(project.id);
        List<Plan> plans = new ArrayList<>();
        for (Map.Entry<String, TreeMap<Long, MediaRow>> group : groups(project.id, names).entrySet()) {
            Pictures pictures = new Pictures(group.getKey(), group.getValue());
            Optional<RenderName> named = named(pictures.name());
            ShotRow shot = shotId != null ? shots.rows().get(shotId) : named.flatMap(n -> byCode(shots, n.of())).orElse(null);
            plans.add(plan(project, pictures, shot, named.map(RenderName::version).orElse(0), shots, versions, grade, drawn));
        }
        return plans;
    }

    private static Plan plan(ProjectRow project, Pictures pictures, ShotRow shot, int version, RenderRequests.Shots shots,
                             freshsplice.core.render.Versions versions, Grade grade, Map<Long, NavigableSet<Integer>> drawn) {
        MediaRow one = pictures.one();
        FrameRate rate = rate(pictures, project);
        long frames = pictures.isRun() ? pictures.files().size() : one.frames;
        if (shot == null) {
            return new Plan(new Offer(pictures.name(), null, "", 0, frames, one.width, one.height, rate.toString(),
                    "its name is no shot's: call it as SHOT_v001, or drop it on a shot", List.of(), List.of(), null), pictures, null, null);
        }
        List<Long> gaps = pictures.isRun() ? LongStream.range(pictures.files().firstKey(), pictures.files().lastKey()).filter(n -> !pictures.files().containsKey(n)).boxed().toList()
                : List.of();
        MadeElsewhere.Facts given = new MadeElsewhere.Facts(pictures.isRun(), frames, pictures.isRun() ? pictures.files().firstKey() : one.startFrame, rate,
                pictures.files().values().stream().map(f -> new MadeElsewhere.Size(f.width, f.height)).distinct().toList(), gaps);
        ShotFrames of = shots.frames(shot);
        MadeElsewhere checked = MadeElsewhere.of(given, of, project.rate, project.pictureWidth / (double) project.pictureHeight);
        List<String> words = new ArrayList<>(checked.words());
        NavigableSet<Integer> cameras = drawn.getOrDefault(shot.id, new TreeSet<>());
        RenderRange range = checked.range();
        RenderName render = checked.canBe() ? versions.take(shot.code, version, grade, range) : null;
        if (render != null && version > 0 && render.version() != version) {
            words.add("version " + version + " is there already: it becomes " + render);
        }
        return new Plan(new Offer(pictures.name(), shot.id, render == null ? "" : render.toString(), range == null ? 0 : range.from().floor(), frames, one.width,
                one.height, rate.toString(), checked.wrong(), words, List.copyOf(cameras), cameras.contains(version) ? version : null), pictures, checked, render);
    }

    /** Versions that were drawn here, by the shot's id, the newest first. */
    private Map<Long, NavigableSet<Integer>> drawn(long projectId) {
        Map<Long, NavigableSet<Integer>> drawn = new HashMap<>();
        store.where(RenderRow.class, "projectId", projectId).stream()
                .filter(r -> r.shotId != null && r.mediaId == null && r.state == RenderRow.State.DONE && r.grade.counts())
                .forEach(r -> drawn.computeIfAbsent(r.shotId, id -> new TreeSet<>(Comparator.reverseOrder())).add(r.version));
        return drawn;
    }

    private static Optional<ShotRow> byCode(RenderRequests.Shots shots, String code) {
        return shots.rows().values().stream().filter(s -> s.code.equalsIgnoreCase(code)).findFirst();
    }

    /** The shot and version that a name says: sh0010_v003.mov, sh0010_v003.1001.png. */
    static Optional<RenderName> named(String name) {
        String plain = name.replaceFirst("(?:[._-]?#+)?\\.[A-Za-z0-9]{1,5}$", "");
        return RenderName.parse(plain).or(() -> plain.isEmpty() ? Optional.empty() : Optional.of(new RenderName(plain.toLowerCase(Locale.ROOT), 0)));
    }

    /** Files by the movie or run that they are of, with their numbers. */
    private Map<String, TreeMap<Long, MediaRow>> groups(long projectId, List<String> names) {
        List<String> wanted = names.stream().map(n -> n.toLowerCase(Locale.ROOT)).toList();
        Map<String, TreeMap<Long, MediaRow>> groups = new TreeMap<>();
        Map<String, MediaRow> newest = new HashMap<>();
        store.where(MediaRow.class, "projectId", projectId).stream().sorted(Comparator.comparing(m -> m.id))
                .filter(m -> m.kind == MediaRow.Kind.PICTURE || m.kind == MediaRow.Kind.MOVIE).forEach(m -> newest.put(m.name.toLowerCase(Locale.ROOT), m));
        for (String name : wanted) {
            MediaRow file = newest.get(name);
            if (file != null) {
                // the digits of a version number no run
                Optional<ImageSequence> number = file.kind != MediaRow.Kind.PICTURE || RenderName.parse(file.name).isPresent() ? Optional.empty()
                        : ImageSequence.of(file.name);
                groups.computeIfAbsent(number.map(ImageSequence::run).orElse(file.name), key -> new TreeMap<>()).put(number.map(ImageSequence::number).orElse(0L), file);
            }
        }
        return groups;
    }
}
