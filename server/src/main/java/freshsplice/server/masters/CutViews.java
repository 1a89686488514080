package freshsplice.server.masters;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import freshsplice.server.cuts.store.CutStore;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.Store;
import java.util.List;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Pieces of a cut with their pictures, as the window draws them. */
@Component
class CutViews {
    private final Store store;
    private final CutStore cuts;
    private final Sources sources;

    CutViews(Store store, CutStore cuts, Sources sources) {
        this.store = store;
        this.cuts = cuts;
        this.sources = sources;
    }

    /** A version of the cut, to be laid over another. */
    SequenceView.Cut of(CutRow row) {
        Cut cut = cuts.picked(row);
        return new SequenceView.Cut(row.id, row.version, row.name, of(row.projectId, cut, cuts.pieces(row, cut)));
    }

    List<SequenceView.Piece> of(long projectId, Cut cut, List<CutPiece> pieces) {
        Finders finders = sources.finders(projectId, Sources.all(cut));
        return pieces.stream().map(p -> {
            Long id = finders.idOf(Lane.Kind.PICTURE, Sources.wanted(p, cut.rate()));
            MediaRow file = id == null ? null : store.get(MediaRow.class, id);
            return new SequenceView.Piece(p.edge().in(), p.edge().out(), p.name(), id,
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
