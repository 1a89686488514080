package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.identity.SameSources;
import freshsplice.core.master.Clip;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Clips of a cut under the edit room's own source that are frames of a shot which the same cut names by our name
 * elsewhere: a shot that is seen twice, of which a render has one place. They are compared as what they are, that shot.
 */
final class UnderOurName {
    private final List<Clip> clips;
    private final Map<Long, Shot> shots;
    private final Set<Long> named;
    private final SameSources sources;

    /** @param clips our clips; @param named shots that the cut names; all of their clips are compared by our name */
    UnderOurName(List<Clip> clips, Map<Long, Shot> shots, Set<Long> named, SameSources sources) {
        this.clips = clips;
        this.shots = shots;
        this.named = named;
        this.sources = sources;
    }

    Turnover.Newer of(Turnover.Newer clip) {
        if (clip.origin().isPresent() || named.isEmpty()) {
            return clip;
        }
        SameSources.Link link = sources.newer(clip.clip().key());
        String key = link == null ? clip.clip().key() : link.older();
        List<Shot> ofIt = shots.values().stream().filter(s -> sources.older(s.anchor().key()).equals(key)).toList();
        ComparedClip known = link == null ? clip.clip() : clip.clip().as(key, link, clip.clip().still());
        return shown(ofIt, known).filter(s -> named.contains(s.id()))
                .map(s -> named(clip.cut(), known, link, s)).orElse(clip);
    }

    /** The one shot of a source; of several, the only one that has the clip's first and last frame. */
    private static Optional<Shot> shown(List<Shot> ofIt, ComparedClip clip) {
        List<Shot> fitting = ofIt.size() == 1 ? ofIt : ofIt.stream().filter(s -> hasAllOf(s, clip)).toList();
        return fitting.size() == 1 ? Optional.of(fitting.get(0)) : Optional.empty();
    }

    private static boolean hasAllOf(Shot shot, ComparedClip clip) {
        if (!shot.anchor().tellsFrames()) {
            return false;
        }
        Rational last = clip.eachFrame().at().apply(clip.edge().last());
        FrameRange frames = shot.frames();
        return frames.contains(shot.anchor().frameAt(clip.from()).floor()) && frames.contains(shot.anchor().frameAt(last).floor());
    }

    /** Over a still no frame of the shot is told by what is seen: its positions mean nothing then. */
    private Turnover.Newer named(CutClip cut, ComparedClip clip, SameSources.Link link, Shot shot) {
        Shot.Anchor anchor = shot.anchor();
        boolean placed = anchor.tellsFrames() && !clip.still();
        if (!placed) {
            return new Turnover.Newer(cut, Optional.empty(), new ComparedClip(clip.record(), clip.edge(), Turnover.key(shot.id()), clip.from(),
                    clip.slope(), null, true, clip.name(), clip.head(), clip.tail()));
        }
        ShotTime time = ShotTime.of(cut.time(), cut.edge(), link, anchor);
        Rational from = position(clip.from(), time.from(), shot);
        Origins.Origin origin = new Origins.Origin(shot.id(), from, time.speed(), time.retimeKeys());
        return new Turnover.Newer(cut, Optional.of(origin), new ComparedClip(clip.record(), clip.edge(), Turnover.key(shot.id()), from, time.speed(),
                origin.course(cut.edge()), false, clip.name(), clip.head(), clip.tail()));
    }

    /** The shot frame: that of a clip of ours where lists, which count whole source frames, cannot tell the two apart. */
    private Rational position(Rational from, Rational there, Shot shot) {
        return clips.stream().filter(s -> s.shotId() == shot.id()).map(Clip::from)
                .filter(f -> shot.anchor().sourceAt(f).minus(from).abs().isLessThan(Rational.ONE))
                .findFirst().orElse(there);
    }
}
