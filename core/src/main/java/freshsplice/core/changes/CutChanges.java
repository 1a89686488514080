package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.CutClips;
import freshsplice.core.cut.Cut;
import freshsplice.core.identity.SameSources;
import java.util.List;

/** What differs between two cuts, clip by clip of their live pictures. */
public final class CutChanges {
    private static final SameSources.Decisions NOBODY = (older, newer) -> null;

    private CutChanges() {
    }

    /** @param handles frames that a shot has beyond its cut range at either end */
    public static ChangeList between(Cut older, Cut newer, int handles) {
        List<CutClip> olds = CutClips.apart(older);
        List<CutClip> news = CutClips.apart(newer);
        SameSources same = SameSources.of(ClipSources.of(olds), ClipSources.of(news), NOBODY);
        CutSound.Pair sound = CutSound.pair(older, newer, NOBODY);
        return ChangeFinder.find(olds.stream().map(p -> ClipSources.older(ComparedClip.of(p), same)).toList(),
                news.stream().map(p -> ClipSources.newer(ComparedClip.of(p), same)).toList(), handles, sound::differs);
    }
}
