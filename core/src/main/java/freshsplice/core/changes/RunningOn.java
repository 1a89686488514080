package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.identity.SameSources;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Neighbours of a cut that are one clip of ours: a list that we hand out names a render as far as it reaches and the edit
 * room's own source or another render for the rest. Where one names us and the other goes on in the source of that shot or in
 * another render of it, they are laid together under our name.
 */
final class RunningOn {
    private final Set<Long> ourCuts;
    private final Map<Long, Shot> shots;
    private final Origins origins;
    private final SameSources sources;
    private final List<Turnover.Newer> clips = new ArrayList<>();
    private final List<Integer> places = new ArrayList<>();

    private RunningOn(Set<Long> ourCuts, Map<Long, Shot> shots, Origins origins, SameSources sources) {
        this.ourCuts = ourCuts;
        this.shots = shots;
        this.origins = origins;
        this.sources = sources;
    }

    /** @param ourCuts record frames at which clips of ours begin */
    static RunningOn join(List<Turnover.Newer> found, Set<Long> ourCuts, Map<Long, Shot> shots, Origins origins,
                          SameSources sources) {
        RunningOn joined = new RunningOn(ourCuts, shots, origins, sources);
        found.forEach(joined::add);
        return joined;
    }

    /** The clips, laid together. */
    List<Turnover.Newer> clips() {
        return clips;
    }

    /** For each clip that was found, its index among {@link #clips}. */
    List<Integer> places() {
        return places;
    }

    private void add(Turnover.Newer clip) {
        Turnover.Newer before = clips.isEmpty() ? null : clips.get(clips.size() - 1);
        if (before != null && isOne(before, clip)) {
            boolean named = before.origin().isPresent();
            CutClip whole = whole(before.cut(), clip.cut(), named ? before.cut() : clip.cut());
            Optional<Origins.Origin> origin = origins.of(whole);
            clips.set(clips.size() - 1, Turnover.newer(whole, origin));
        } else {
            clips.add(clip);
        }
        places.add(clips.size() - 1);
    }

    private boolean isOne(Turnover.Newer a, Turnover.Newer b) {
        boolean meets = a.cut().edge().out() == b.cut().edge().in() && a.cut().tail() == null && b.cut().head() == null;
        if (!meets || a.origin().isEmpty() && b.origin().isEmpty()) {
            return false;
        }
        return a.origin().isPresent() && b.origin().isPresent() ? isNextRender(a, b)
                : a.origin().isPresent() ? goesOn(a, b) : goesOn(b, a);
    }

    /** Whether another render of the same shot goes on where one ends: what one had not was drawn as another. */
    private boolean isNextRender(Turnover.Newer a, Turnover.Newer b) {
        Origins.Origin from = a.origin().orElseThrow();
        Origins.Origin to = b.origin().orElseThrow();
        long edge = b.cut().edge().in();
        return from.shotId() == to.shotId() && !a.cut().source().name().equals(b.cut().source().name())
                && !ourCuts.contains(edge) && from.at(edge - a.cut().edge().in()).equals(to.at(0))
                && from.at(edge + 1 - a.cut().edge().in()).equals(to.at(1));
    }

    /** Whether the source of one is that of the shot which the other names, at the frames that come there. */
    private boolean goesOn(Turnover.Newer named, Turnover.Newer other) {
        Origins.Origin origin = named.origin().orElseThrow();
        Shot.Anchor anchor = shots.get(origin.shotId()).anchor();
        SameSources.Link link = sources.newer(other.clip().key());
        String key = link == null ? other.clip().key() : link.older();
        if (!key.equals(sources.older(anchor.key()))) {
            return false;
        }
        if (anchor.still() || other.clip().still()) {
            // a still tells no frames: where we cut, we cut
            return !ourCuts.contains(Math.max(named.cut().edge().in(), other.cut().edge().in()));
        }
        FrameRange edge = other.cut().edge();
        Rational frames = Rational.of(Math.max(1, edge.length()));
        return isNear(named, origin, other, link, edge.in(), Rational.ONE)
                && isNear(named, origin, other, link, edge.out(), Rational.ONE.plus(frames.times(ComparedClip.ROUNDED_SPEED)));
    }

    private boolean isNear(Turnover.Newer named, Origins.Origin origin, Turnover.Newer other, SameSources.Link link,
                           long record, Rational within) {
        Shot.Anchor anchor = shots.get(origin.shotId()).anchor();
        Rational expected = anchor.sourceAt(origin.at(record - named.cut().edge().in()));
        Rational position = other.cut().time().at(record);
        Rational there = link == null ? position : link.position(position);
        return there.minus(expected).abs().compareTo(within) <= 0;
    }

    private static CutClip whole(CutClip a, CutClip b, CutClip named) {
        FrameRange record = a.record().spanWith(b.record());
        List<List<Integer>> paths = new ArrayList<>(a.paths());
        paths.addAll(b.paths());
        return new CutClip(record, a.edge().spanWith(b.edge()), named.source(), null, named.time().over(record), false, paths,
                List.of(), null, a.head(), b.tail());
    }
}
