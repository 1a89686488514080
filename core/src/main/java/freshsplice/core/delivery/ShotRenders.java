package freshsplice.core.delivery;

import freshsplice.core.master.SeenClip;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** The finished renders of a project's shots, and what changed since each was made. */
public final class ShotRenders {
    public static final ShotRenders NONE = of(List.of(), Grade::counts);

    private final Map<Long, List<FinishedRender>> byShot;
    private final Map<Long, List<String>> changed;

    private ShotRenders(Map<Long, List<FinishedRender>> byShot, Map<Long, List<String>> changed) {
        this.byShot = byShot;
        this.changed = changed;
    }

    /** @param wanted grades that are good enough; a trial never is */
    public static ShotRenders of(Collection<FinishedRender> renders, Predicate<Grade> wanted) {
        return new ShotRenders(renders.stream().filter(r -> r.grade().counts() && wanted.test(r.grade()))
                .sorted(FinishedRender.BEST_FIRST).collect(Collectors.groupingBy(FinishedRender::shotId)), Map.of());
    }

    /** @param ids by the render's id, what changed since, as fingerprints name it; those that are not named stand as they are */
    public ShotRenders changed(Map<Long, List<String>> ids) {
        return new ShotRenders(byShot, Map.copyOf(ids));
    }

    /** Those of a shot, the best first. */
    public List<FinishedRender> ofShot(long shotId) {
        return byShot.getOrDefault(shotId, List.of());
    }

    /** Which of them show which frames of a clip. */
    public Cover cover(SeenClip clip) {
        return Cover.of(clip, ofShot(clip.clip().shotId()));
    }

    /** The one that stands for most of a clip; where none stands for any of it the newest, null where the shot has none. */
    public FinishedRender shownFor(SeenClip clip) {
        List<FinishedRender> all = ofShot(clip.clip().shotId());
        return cover(clip).parts().stream().max(Comparator.comparingLong(p -> p.record().length())).map(Cover.Part::render)
                .orElse(all.isEmpty() ? null : all.get(0));
    }

    /** What changed since a render was made; empty where nothing did. */
    public List<String> changedSince(FinishedRender render) {
        return changed.getOrDefault(render.id(), List.of());
    }

    /** Ids of those that stand for any frame of some clips, and of the newest of each shot. */
    public Set<Long> standingFor(Collection<SeenClip> clips) {
        Set<Long> ids = clips.stream().flatMap(p -> cover(p).parts().stream()).map(p -> p.render().id()).collect(Collectors.toSet());
        byShot.values().forEach(renders -> ids.add(renders.get(0).id()));
        return ids;
    }
}
