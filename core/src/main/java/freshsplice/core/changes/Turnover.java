package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Passages;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;

/**
 * A master against a newer cut. A piece that names one of our renders is compared by our own frames, every other by
 * its source; so a list that we handed out ourselves has no changes when it is read in again.
 */
public final class Turnover {
    /** A piece of the newer cut with the frames of ours that it names, if it names any. */
    record Newer(CutPiece cut, Optional<Origins.Origin> origin, Piece piece) {
    }

    final Master master;
    final Map<Long, Shot> shots;
    /** The pieces of the main lane that show shots, with what they lie nested in. */
    final List<LivePieces.Live> live;
    final List<Section> sections;
    final List<Newer> newer;
    private final ChangeList changes;

    private Turnover(Master master, LongFunction<Master> masters, Map<Long, Shot> shots, List<Newer> newer,
                     int handles, ChangeFinder.SoundDiffers sound) {
        this.master = master;
        this.shots = shots;
        this.live = new LivePieces(masters).ofLane(master, 0).stream().filter(l -> l.section().shotId() != 0).toList();
        this.sections = live.stream().map(LivePieces.Live::section).toList();
        this.newer = newer;
        Set<Long> named = new HashSet<>();
        newer.forEach(n -> n.origin().ifPresent(o -> named.add(o.shotId())));
        this.changes = ChangeFinder.find(olderPieces(named), newer.stream().map(Newer::piece).toList(), handles, sound);
    }

    /**
     * @param masters finds nested masters by id: the pieces of those are compared too
     * @param shots   the master's shots by id
     * @param pieces  the newer cut, as the shots it would become
     * @param origins our own names
     */
    public static Turnover of(Master master, LongFunction<Master> masters, Map<Long, Shot> shots,
                              List<CutPiece> pieces, Origins origins, int handles, ChangeFinder.SoundDiffers sound) {
        List<Newer> newer = pieces.stream().map(p -> newer(p, origins.of(p).filter(o -> shots.containsKey(o.shotId()))))
                .toList();
        return new Turnover(master, masters, shots, newer, handles, sound);
    }

    /** What differs. Old indexes count the master's sections that show shots, new ones the newer cut's pieces. */
    public ChangeList changes() {
        return changes;
    }

    /** The shot that a change is about; empty for a new one. */
    public Optional<Shot> shotOf(Change change) {
        return change.oldIndex() < 0 ? Optional.empty()
                : Optional.of(shots.get(sections.get(change.oldIndex()).shotId()));
    }

    public Section sectionOf(Change change) {
        return sections.get(change.oldIndex());
    }

    /** Our pieces that show shots, in order, as old indexes count them; those of nested masters too. */
    public List<LivePieces.Live> pieces() {
        return live;
    }

    /** The shot that a piece of the newer cut shows; empty for one that we do not have. */
    public Optional<Shot> ourShotOf(int newIndex) {
        int section = changes.pairs().get(newIndex);
        return section < 0 ? Optional.empty() : Optional.of(shots.get(sections.get(section).shotId()));
    }

    /** A piece of the newer cut by its index. */
    public CutPiece newPiece(int index) {
        return newer.get(index).cut();
    }

    private static Newer newer(CutPiece cut, Optional<Origins.Origin> origin) {
        Piece plain = Piece.of(cut);
        FrameRange edge = cut.edge();
        String head = Passages.describe(Passages.head(cut.head(), edge.in()));
        String tail = tailOf(cut);
        Piece piece = origin
                .map(o -> new Piece(plain.record(), edge, key(o.shotId()), o.position(), o.slope(), false,
                        false, plain.name(), head, tail))
                .orElse(new Piece(plain.record(), edge, plain.key(), plain.from(), plain.slope(), false,
                        plain.still(), plain.name(), head, tail));
        return new Newer(cut, origin, piece);
    }

    private static String tailOf(CutPiece cut) {
        return Passages.describe(Passages.tail(cut.tail(), cut.record(), cut.edge().out()));
    }

    private List<Piece> olderPieces(Set<Long> named) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            Section next = i + 1 < sections.size() ? sections.get(i + 1) : null;
            pieces.add(older(section, section.seen(next), shots.get(section.shotId()),
                    named.contains(section.shotId())));
        }
        return pieces;
    }

    private static Piece older(Section section, FrameRange seen, Shot shot, boolean named) {
        Shot.Anchor anchor = shot.anchor();
        String head = Passages.describe(section.head());
        String tail = Passages.describe(section.tail());
        if (named) {
            return new Piece(seen, section.record(), key(shot.id()), section.from(), section.speed(),
                    !section.isEven(), false, shot.code(), head, tail);
        }
        Rational slope = anchor.slope().times(section.speed());
        return new Piece(seen, section.record(), anchor.key(), anchor.sourceAt(section.from()), slope,
                !section.isEven(), anchor.still(), shot.code(), head, tail);
    }

    private static String key(long shotId) {
        return "shot:" + shotId;
    }
}
