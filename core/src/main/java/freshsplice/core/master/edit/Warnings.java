package freshsplice.core.master.edit;

import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.LongStream;

/** What an edit did that somebody may not have meant, in words. Nothing of it is refused. */
public final class Warnings {
    private final Master before;
    private final Master after;
    private final List<String> words = new ArrayList<>();

    private Warnings(Master before, Master after) {
        this.before = before;
        this.after = after;
    }

    /**
     * Frames that a changed speed shows and the shot did not have, its handles included.
     *
     * @param shots by id, as they were before the edit
     */
    public static List<String> ofSpeed(Master before, Master after, Map<Long, Shot> shots) {
        Warnings warnings = new Warnings(before, after);
        warnings.changed().forEach(piece -> warnings.pastHandles(piece, shots.get(piece.shotId())));
        return warnings.words;
    }

    /**
     * Frames before the first one of a board's media.
     *
     * @param shots  by id
     * @param begins source frame at which the media of a shot's board begins, by the shot's id
     */
    public static List<String> ofBoards(Master before, Master after, Map<Long, Shot> shots, Map<Long, Long> begins) {
        Warnings warnings = new Warnings(before, after);
        warnings.changed().forEach(piece -> warnings.beforeBoard(piece, shots.get(piece.shotId()), begins.get(piece.shotId())));
        return warnings.words;
    }

    private void beforeBoard(Section piece, Shot shot, Long begins) {
        if (shot == null || begins == null || shot.anchor().still()) {
            return;
        }
        long early = LongStream.range(piece.record().in(), piece.record().out())
                .takeWhile(r -> shot.anchor().sourceAt(piece.at(r)).compareTo(Rational.of(begins)) < 0).count();
        if (early > 0) {
            words.add(shot.code() + " begins " + Amounts.frames(early) + " before its board does: the board's first frame stands there");
        }
    }

    /**
     * Black that a nested master shows where it has nothing.
     *
     * @param masters finds nested masters by id
     */
    public static List<String> ofNests(Master before, Master after, LongFunction<Master> masters) {
        Warnings warnings = new Warnings(before, after);
        if (after.sections().stream().noneMatch(s -> s.content() instanceof Section.Content.OfMaster)) {
            return List.of();
        }
        warnings.changed().forEach(piece -> warnings.blackOf(piece, masters));
        return warnings.words;
    }

    private List<Section> changed() {
        Map<Long, Section> was = before.sections().stream().collect(Collectors.toMap(Section::id, Function.identity()));
        return after.sections().stream().filter(s -> was.containsKey(s.id()) && !was.get(s.id()).equals(s)).toList();
    }

    private void pastHandles(Section piece, Shot shot) {
        if (shot == null) {
            return;
        }
        long a = piece.at(piece.record().in()).floor();
        long b = piece.at(piece.record().last()).floor();
        FrameRange shown = piece.shownOver(piece.record());
        long past = shown.length() - shown.overlapWith(shot.frames());
        if (past > 0) {
            words.add(shot.code() + " now shows " + a + " to " + b + ": " + Amounts.frames(past)
                    + " past its handles, " + shot.frames().in() + "–" + shot.frames().last());
        }
    }

    private void blackOf(Section piece, LongFunction<Master> masters) {
        if (!(piece.content() instanceof Section.Content.OfMaster nested)) {
            return;
        }
        Master inner = masters.apply(nested.masterId());
        long seen = new LivePieces(masters).of(after).stream().filter(l -> l.outer().id() == piece.id())
                .mapToLong(l -> l.section().record().length()).sum();
        long black = piece.record().length() - seen;
        boolean outside = piece.at(piece.record().in()).floor() < inner.start()
                || piece.at(piece.record().last()).floor() >= inner.end();
        if (outside && black > 0) {
            words.add(inner.name() + " has nothing at " + Amounts.frames(black)
                    + " that its piece now shows: they are black");
        }
    }
}
