package freshsplice.server.renders;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.delivery.FilmedRuns;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.JoinedRenders;
import freshsplice.core.delivery.MasterFingerprint;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.render.FileNames;
import freshsplice.core.render.FrameOrders;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.render.JobFile;
import freshsplice.render.Reel;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.stores.masters.MasterStore;
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

/** Reads what movies of whole masters are drawn or joined from, and whether they still would be. */
@Component
public class MasterDrawings {
    /** Two digests and what they were asked with take about 400 bytes each. */
    private static final int MOST_KNOWN = 10_000;

    private final Cache<String, FilmedRuns.Digest> known = Caffeine.newBuilder().maximumSize(MOST_KNOWN).build();
    private final Store store;
    private final MasterStore masters;
    private final FilmedShots shots;
    private final Staleness staleness;
    private final RenderSound sounds;
    private final Folders folders;
    private final Recipes recipes;
    private final RenderBoards boards;
    private final FinishedRenders finished;
    private final LookParts looks;

    MasterDrawings(Store store, MasterStore masters, FilmedShots shots, Staleness staleness, RenderSound sounds, Folders folders, Recipes recipes,
                   RenderBoards boards, FinishedRenders finished, LookParts looks) {
        this.store = store;
        this.masters = masters;
        this.shots = shots;
        this.staleness = staleness;
        this.sounds = sounds;
        this.folders = folders;
        this.recipes = recipes;
        this.boards = boards;
        this.finished = finished;
        this.looks = looks;
    }

    Drawing of(RenderRow render, Recipe recipe, ProjectRow project, Master master, FilmedShots.Of all, RenderSound.Under under) {
        Map<Long, FilmedShot> filmed = all.filmed();
        FrameRate rate = recipe.rate(project.rate);
        Map<Long, Master> nested = nested(master);
        PicturePlan plan = PicturePlan.ofMaster(render.name, master, render.frames, rate, nested, filmed);
        JoinedRenders joined = render.joined ? joined(render, master) : null;
        Map<Long, String> movies = movieKeys(master, nested);
        if (joined != null) {
            joined.all().forEach(r -> movies.putIfAbsent(r.id(), MovieKeys.of(r.id())));
        }
        Map<String, Reel> reels = movies(movies.values(), master.rate());
        LookParts.Sight shown = shown(recipe, master, nested, filmed);
        RenderBoards.Boards boards = recipe.look().board() > 0 || recipe.unstaged() == Recipe.Unstaged.BOARD
                ? this.boards.of(shown.withBoards()) : RenderBoards.Boards.NONE;
        reels.putAll(boards.reels());
        FileNames names = new FileNames(project.name, "", FinishedRenders.name(render), render.grade, "", render.recipeName == null ? "" : render.recipeName);
        RenderJob job = new RenderJob(names, recipe, FinishedRenders.range(render), rate, plan.startLabel());
        return new Drawing(new JobFile.Contents(job, reels, recipe.sound() ? under.clips(whole(master)) : List.of()),
                new FrameOrders(plan, recipe, true, shots.named(render, boards, movies, all.rows().values(), joined)), looks.made(render, recipe, boards, shown, made(fingerprint(render, master, nested, filmed, under, joined), plan, filmed, render)));
    }

    /**
     * As a render that is made now tells it: what it films is asked frame by frame and sound as it is heard. Whole cameras, whole sets and
     * sound clip by clip are asked for by renders of earlier versions of the program alone.
     */
    private Fingerprint made(Fingerprint now, PicturePlan plan, Map<Long, FilmedShot> filmed, RenderRow render) {
        Map<String, String> parts = new HashMap<>(now.parts());
        parts.remove(Staleness.SOUND);
        if (!render.joined) {
            parts.putAll(filmedIn(now, plan, filmed, render.blur));
            parts.keySet().removeAll(List.of(MasterFingerprint.CAMERAS, MasterFingerprint.SET));
        }
        return new Fingerprint(parts);
    }

    /** What a movie films, frame by frame. @param all of its master, which tells when it has to be worked out again */
    private Map<String, String> filmedIn(Fingerprint all, PicturePlan plan, Map<Long, FilmedShot> filmed, boolean blur) {
        String shots = filmed.values().stream().map(f -> f.shot().id() + " " + f.shot().actionOffset()).sorted().collect(Collectors.joining(","));
        String asked = String.join(" ", all.parts().get(MasterFingerprint.EDIT), all.parts().get(MasterFingerprint.CAMERAS), all.parts().get(MasterFingerprint.SET),
                Fingerprint.digest(shots), plan.rate().toString(), String.valueOf(plan.frames()), String.valueOf(blur));
        FilmedRuns.Digest digest = known.get(asked, key -> FilmedRuns.of(plan).digest(blur));
        return Map.of(Staleness.FILMED, digest.cameras(), Staleness.IN_VIEW, digest.inView());
    }

    /** What changed since a movie of a whole master was made, in words; empty where it still stands. */
    @Transactional(readOnly = true)
    public List<String> stale(RenderRow render) {
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        Master master = masters.read(store.get(MasterRow.class, render.masterId));
        Map<Long, FilmedShot> filmed = shots.of(project.id).filmed();
        Map<Long, Master> nested = nested(master);
        Recipe recipe = recipes.of(render);
        Fingerprint now = fingerprint(render, master, nested, filmed, sounds.under(master, project.rate),
                render.joined ? joined(render, master) : null);
        PicturePlan plan = PicturePlan.ofMaster(render.name, master, render.frames, recipe.rate(project.rate), nested, filmed);
        return staleness.ofMaster(render, now, () -> filmedIn(now, plan, filmed, render.blur), shown(recipe, master, nested, filmed));
    }

    private static LookParts.Sight shown(Recipe recipe, Master master, Map<Long, Master> nested, Map<Long, FilmedShot> filmed) {
        Map<Long, FilmedShot> shown = new HashMap<>();
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.clips().stream()).map(Clip::shotId)
                .filter(filmed::containsKey).forEach(id -> shown.put(id, filmed.get(id)));
        Map<Long, FilmedShot> withBoards = new HashMap<>(shown);
        withBoards.values().removeIf(f -> recipe.look().board() == 0 && f.camera().isStaged());
        return new LookParts.Sight(withBoards, shown.values().stream().map(FilmedShot::stage).toList());
    }

    private static Fingerprint fingerprint(RenderRow render, Master master, Map<Long, Master> nested, Map<Long, FilmedShot> filmed,
                                           RenderSound.Under under, JoinedRenders joined) {
        Map<String, String> drawn = new HashMap<>(MasterFingerprint.of(master, nested, filmed, render.blur, under.lines(whole(master))).parts());
        drawn.put(Staleness.HEARD, under.heardIn(whole(master)));
        if (joined == null) {
            return new Fingerprint(drawn);
        }
        // what is joined changes with the renders that are, and not before
        Map<String, String> parts = new HashMap<>(Map.of("renders", joined.digest()));
        Stream.of(MasterFingerprint.EDIT, Staleness.SOUND, Staleness.HEARD).forEach(part -> parts.put(part, drawn.get(part)));
        return new Fingerprint(parts);
    }

    /** The renders of a master's shots that are good enough for a movie of some grade. */
    private JoinedRenders joined(RenderRow render, Master master) {
        LiveClips live = new LiveClips(masters.nested());
        return new JoinedRenders(SeenClip.ofLive(live.of(master)).stream().filter(p -> p.clip().shotId() != 0).toList(),
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
            for (Clip clip : open.pop().clips()) {
                if (clip.content() instanceof Clip.Content.OfMaster m && !nested.containsKey(m.masterId())) {
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
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.clips().stream()).forEach(s -> {
            if (s.content() instanceof Clip.Content.OfRender r) {
                keys.computeIfAbsent(r.renderId(), id -> MovieKeys.of(standing(store.get(RenderRow.class, id)).id));
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
            RenderRow row = store.get(RenderRow.class, MovieKeys.renderOf(key));
            reels.put(key, new Reel(folders.renders().resolve(row.file), new FrameRate(row.drawnRate(rate)), row.sha256 == null ? "" : row.sha256));
        });
        return reels;
    }
}
