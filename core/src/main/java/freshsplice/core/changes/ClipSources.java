package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.identity.SameSources;
import freshsplice.core.identity.SourceUse;
import java.util.List;

/** What clips show, for finding which sources are the same, and the clips under the identity that was found. */
final class ClipSources {
    private ClipSources() {
    }

    static List<SourceUse> of(List<CutClip> clips) {
        SourceUse.Gathering gathering = new SourceUse.Gathering();
        for (CutClip cut : clips) {
            ComparedClip clip = ComparedClip.of(cut);
            gathering.add(clip.key(), cut.source(), clip.still(), clip.low(), clip.high());
        }
        return gathering.uses();
    }

    static ComparedClip older(ComparedClip clip, SameSources same) {
        return clip.as(same.older(clip.key()), null, clip.still() || same.isStillOlder(clip.key()));
    }

    static ComparedClip newer(ComparedClip clip, SameSources same) {
        SameSources.Link link = same.newer(clip.key());
        return clip.as(link == null ? clip.key() : link.older(), link, clip.still() || same.isStill(clip.key()));
    }
}
