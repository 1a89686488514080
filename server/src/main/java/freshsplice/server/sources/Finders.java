package freshsplice.server.sources;

import freshsplice.core.cut.Track;
import freshsplice.core.sources.SourceFinder;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.sources.SourceNeed;
import java.util.Optional;

/** Finds pictures and sounds of a project as it stands. */
public record Finders(SourceFinder pictures, SourceFinder sounds) {
    public SourceFinder of(Track.Kind kind) {
        return kind == Track.Kind.SOUND ? sounds : pictures;
    }

    /** The id of the picture or sound for a clip; null where none is found. */
    public Long idOf(Track.Kind kind, SourceNeed wanted) {
        return find(kind, wanted).map(f -> f.file().id()).orElse(null);
    }

    public Optional<Match> find(Track.Kind kind, SourceNeed wanted) {
        return of(kind).find(wanted);
    }
}
