package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.identity.SameSources;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Pieces of a cut under the edit room's own source that are frames of a shot which the same cut names by our name
 * elsewhere: a shot that is seen twice, of which a render has one place. They are compared as what they are, that shot.
 */
final class UnderOurName {
    private final List<Section> sections;
    private final Map<Long, Shot> shots;
    private final Set<Long> named;
    private final SameSources sources;

    /** @param sections our pieces; @param named shots that the cut names; all of their pieces are compared by our name */
    UnderOurName(List<Section> sections, Map<Long, Shot> shots, Set<Long> named, SameSources sources) {
        this.sections = sections;
        this.shots = shots;
        this.named = named;
        this.sources = sources;
    }

    Turnover.Newer of(Turnover.Newer piece) {
        if (piece.origin().isPresent() || named.isEmpty()) {
            return piece;
        }
        SameSources.Link link = sources.newer(piece.piece().key());
        String key = link == null ? piece.piece().key() : link.older();
        List<Shot> ofIt = shots.values().stream().filter(s -> sources.older(s.anchor().key()).equals(key)).toList();
        Piece known = link == null ? piece.piece() : piece.piece().as(key, link, piece.piece().still());
        return shown(ofIt, known).filter(s -> named.contains(s.id()))
                .map(s -> named(piece.cut(), known, link, s)).orElse(piece);
    }

    /** The one shot of a source; of several, the only one that has the piece's first and last frame. */
    private static Optional<Shot> shown(List<Shot> ofIt, Piece piece) {
        List<Shot> fitting = ofIt.size() == 1 ? ofIt : ofIt.stream().filter(s -> hasAllOf(s, piece)).toList();
        return fitting.size() == 1 ? Optional.of(fitting.get(0)) : Optional.empty();
    }

    private static boolean hasAllOf(Shot shot, Piece piece) {
        if (!shot.anchor().tellsFrames()) {
            return false;
        }
        Rational last = piece.eachFrame().at().apply(piece.edge().last());
        FrameRange frames = shot.frames();
        return frames.contains(shot.anchor().frameAt(piece.from()).floor()) && frames.contains(shot.anchor().frameAt(last).floor());
    }

    /** Over a still no frame of the shot is told by what is seen: its positions mean nothing then. */
    private Turnover.Newer named(CutPiece cut, Piece piece, SameSources.Link link, Shot shot) {
        Shot.Anchor anchor = shot.anchor();
        boolean placed = anchor.tellsFrames() && !piece.still();
        if (!placed) {
            return new Turnover.Newer(cut, Optional.empty(), new Piece(piece.record(), piece.edge(), Turnover.key(shot.id()), piece.from(),
                    piece.slope(), null, true, piece.name(), piece.head(), piece.tail()));
        }
        ShotTime time = ShotTime.of(cut.time(), cut.edge(), link, anchor);
        Rational from = position(piece.from(), time.from(), shot);
        Origins.Origin origin = new Origins.Origin(shot.id(), from, time.speed(), time.bends());
        return new Turnover.Newer(cut, Optional.of(origin), new Piece(piece.record(), piece.edge(), Turnover.key(shot.id()), from, time.speed(),
                origin.course(cut.edge()), false, piece.name(), piece.head(), piece.tail()));
    }

    /** The shot frame: that of a piece of ours where lists, which count whole source frames, cannot tell the two apart. */
    private Rational position(Rational from, Rational there, Shot shot) {
        return sections.stream().filter(s -> s.shotId() == shot.id()).map(Section::from)
                .filter(f -> shot.anchor().sourceAt(f).minus(from).abs().isLessThan(Rational.ONE))
                .findFirst().orElse(there);
    }
}
