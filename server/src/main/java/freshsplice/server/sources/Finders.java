package freshsplice.server.sources;

import freshsplice.core.cut.Lane;
import freshsplice.core.sources.SourceFinder;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.sources.SourceNeed;
import java.util.Optional;

/** Finds pictures and sounds of a project as it stands. */
public record Finders(SourceFinder pictures, SourceFinder sounds) {
    public SourceFinder of(Lane.Kind kind) {
        return kind == Lane.Kind.SOUND ? sounds : pictures;
    }

    /** The id of the picture or sound for a clip; null where none is found. */
    public Long idOf(Lane.Kind kind, SourceNeed wanted) {
        return find(kind, wanted).map(f -> f.file().id()).orElse(null);
    }

    public Optional<Match> find(Lane.Kind kind, SourceNeed wanted) {
        return of(kind).find(wanted);
    }
}
