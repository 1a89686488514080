package freshsplice.server.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.conform.CutPiece;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.server.cuts.store.CutStore;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.ProjectFiles;
import freshsplice.server.sources.Sources;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.Store;
import java.util.List;
import java.util.UUID;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Pieces of a cut with their pictures, as the window draws them. */
@Component
class CutViews {
    private static final int MOST = 16;

    /** Pieces as they were last put together, and from what. */
    private record Shown(List<CutPiece> pieces, ProjectFiles files, String stamp, List<CutPieces.Piece> views) {
    }

    private final Store store;
    private final CutStore cuts;
    private final Sources sources;
    private final Cache<Long, Shown> shown = Caffeine.newBuilder().maximumSize(MOST).build();

    CutViews(Store store, CutStore cuts, Sources sources) {
        this.store = store;
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

    private Shown shown(CutRow row, List<CutPiece> pieces) {
        ProjectFiles files = sources.files(row.projectId);
        Shown known = shown.getIfPresent(row.id);
        if (known == null || known.pieces != pieces || !known.files.equals(files)) {
            known = new Shown(pieces, files, UUID.randomUUID().toString(), views(cuts.picked(row), pieces, files));
            shown.put(row.id, known);
        }
        return known;
    }

    private List<CutPieces.Piece> views(Cut cut, List<CutPiece> pieces, ProjectFiles files) {
        Finders finders = files.finders(Sources.all(cut));
        return pieces.stream().map(p -> {
            Long id = finders.idOf(Lane.Kind.PICTURE, Sources.wanted(p, cut.rate()));
            MediaRow file = id == null ? null : store.get(MediaRow.class, id);
            return new CutPieces.Piece(p.edge().in(), p.edge().out(), p.name(), id,
                    file == null || file.kind == MediaRow.Kind.PICTURE ? List.of() : mediaFrames(p, file));
        }).toList();
    }

    /** The movie's own frame at each record frame; counted from the piece where its timecode is not the source's. */
    private static List<Long> mediaFrames(CutPiece piece, MediaRow file) {
        long first = piece.time().frameAt(piece.edge().in());
        Long told = piece.source() == null ? null : piece.source().start();
        boolean byTimecode = first >= file.startFrame && first < file.startFrame + file.frames;
        long base = byTimecode ? file.startFrame : told != null ? told : first;
        return LongStream.range(piece.edge().in(), piece.edge().out())
                .map(r -> Math.max(0, Math.min(file.frames - 1, piece.time().frameAt(r) - base))).boxed().toList();
    }
}
