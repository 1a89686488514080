package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.core.master.Transition;
import freshsplice.core.master.Transitions;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.server.rows.CutRow;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.ProjectFiles;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.cuts.CutStore;
import java.util.List;
import java.util.UUID;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Pieces of a cut with their pictures, as the window draws them. */
@Component
class CutViews {
    private static final int MOST = 16;

    /** Pieces as they were last put together, and from what. */
    private record View(List<CutPiece> pieces, ProjectFiles files, String stamp, List<CutPieces.Piece> views) {
    }

    private final CutStore cuts;
    private final Sources sources;
    private final Cache<Long, View> shown = Caffeine.newBuilder().maximumSize(MOST).build();

    CutViews(CutStore cuts, Sources sources) {
        this.cuts = cuts;
        this.sources = sources;
    }

    /** A version of the cut. */
    CutPieces of(CutRow row) {
        return new CutPieces(row.id, row.version, row.name, shown(row, cuts.pieces(row)).views);
    }

    /** Another one whenever the pieces or their pictures are others. @param pieces the cut's, as they are now */
    String stamp(CutRow row, List<CutPiece> pieces) {
        return shown(row, pieces).stamp;
    }

    private View shown(CutRow row, List<CutPiece> pieces) {
        ProjectFiles files = sources.files(row.projectId);
        View known = shown.getIfPresent(row.id);
        if (known == null || known.pieces != pieces || !known.files.equals(files)) {
            known = new View(pieces, files, UUID.randomUUID().toString(), views(cuts.picked(row), pieces, files));
            shown.put(row.id, known);
        }
        return known;
    }

    private List<CutPieces.Piece> views(Cut cut, List<CutPiece> pieces, ProjectFiles files) {
        Finders finders = files.finders(Sources.all(cut));
        return pieces.stream().map(p -> {
            Candidate file = finders.find(Lane.Kind.PICTURE, Sources.wanted(p, cut.rate())).map(Match::file).orElse(null);
            Transition head = Transitions.head(p.head(), p.edge().in());
            Transition tail = Transitions.tail(p.tail(), p.record(), p.edge().out());
            return new CutPieces.Piece(p.edge().in(), p.edge().out(), p.name(), file == null ? null : file.id(), p.isSlate(),
                    p.record().in(), Weights.in(head), Weights.out(tail),
                    file == null || !file.moves() ? List.of() : mediaFrames(p, file));
        }).toList();
    }

    private static List<Long> mediaFrames(CutPiece piece, Candidate file) {
        MediaFrames shown = MediaFrames.of(file, piece.source(), piece.edge(), piece.time());
        return LongStream.range(piece.record().in(), piece.record().out())
                .mapToObj(r -> shown.frameAt(piece.time().at(r))).toList();
    }
}
