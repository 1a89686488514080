package freshsplice.server.http.masters;

import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenPiece;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.renders.FinishedRenders;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import java.util.function.LongUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.LongStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which frames of a movie, a render or a board, are seen in a piece of a master. */
@Service
class ShownFrames {
    private final Store store;
    private final MasterStore masters;

    ShownFrames(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    private static SequenceView.MovieFrames frames(SeenPiece piece, Double framesPerSecond, LongUnaryOperator frameAt) {
        return new SequenceView.MovieFrames(piece.seen().in(), LongStream.range(piece.seen().in(), piece.seen().out())
                .map(frameAt).boxed().toList(), framesPerSecond);
    }

    /**
     * Which frame of a render shows each record frame of the piece that lies at a record frame.
     *
     * @throws NotThere if no piece of the render's shot is seen there
     */
    @Transactional(readOnly = true)
    SequenceView.MovieFrames ofRender(long masterId, long renderId, long at) {
        RenderRow render = store.get(RenderRow.class, renderId);
        Master master = masters.read(store.get(MasterRow.class, masterId));
        SeenPiece piece = find(new LivePieces(masters.nested()).of(master), at, live -> render.shotId != null
                && live.section().shotId() == render.shotId);
        if (piece == null) {
            throw new NotThere("There is no piece of " + render.name + "'s shot at record frame " + at);
        }
        RenderRange shown = FinishedRenders.range(render);
        return frames(piece, render.drawnRate(master.rate()).toDouble(), r -> shown.frameAt(piece.section(), r));
    }

    /**
     * Which frame of its board's movie shows each record frame of a shot's piece that lies at a record frame, on any
     * lane.
     *
     * @param sectionId the piece, or the nest that it lies in
     * @throws NotThere if no such piece lies there, or it has no picture
     */
    @Transactional(readOnly = true)
    SequenceView.MovieFrames ofBoard(long masterId, long sectionId, long at) {
        Master master = masters.read(store.get(MasterRow.class, masterId));
        SeenPiece piece = onAnyLane(master, sectionId, at);
        Shot shot = MasterStore.shot(store.get(ShotRow.class, piece.section().shotId()));
        BoardRow board = store.where(BoardRow.class, "shotId", shot.id()).stream().filter(b -> b.mediaId != null)
                .findFirst().orElseThrow(() -> new NotThere("No picture was found for " + shot.code()));
        MediaFrames frames = frames(board, shot.anchor());
        return frames(piece, null, r -> frames.frameAt(shot.anchor().sourceAt(piece.section().at(r))));
    }

    private MediaFrames frames(BoardRow board, Shot.Anchor anchor) {
        long shown = anchor.source().floor();
        return MediaFrames.of(Sources.candidate(store.get(MediaRow.class, board.mediaId)), shown,
                board.sourceBegins == null ? shown : board.sourceBegins);
    }

    private SeenPiece onAnyLane(Master master, long sectionId, long at) {
        LivePieces pieces = new LivePieces(masters.nested());
        for (int lane = 0; lane < master.lanes().size(); lane++) {
            SeenPiece piece = find(pieces.ofLane(master, lane), at, live -> live.outer().id() == sectionId
                    && live.section().shotId() != 0);
            if (piece != null) {
                return piece;
            }
        }
        throw new NotThere("There is no piece of a shot at record frame " + at);
    }

    private static SeenPiece find(List<LivePieces.Live> pieces, long at, Predicate<LivePieces.Live> which) {
        List<SeenPiece> seen = SeenPiece.ofLive(pieces);
        for (int i = 0; i < pieces.size(); i++) {
            if (which.test(pieces.get(i)) && seen.get(i).seen().contains(at)) {
                return seen.get(i);
            }
        }
        return null;
    }
}
