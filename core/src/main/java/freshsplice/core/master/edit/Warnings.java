package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
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
        warnings.changed().forEach(clip -> warnings.pastHandles(clip, shots.get(clip.shotId())));
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
        warnings.changed().forEach(clip -> warnings.beforeBoard(clip, shots.get(clip.shotId()), begins.get(clip.shotId())));
        return warnings.words;
    }

    private void beforeBoard(Clip clip, Shot shot, Long begins) {
        if (shot == null || begins == null || shot.anchor().still()) {
            return;
        }
        long early = LongStream.range(clip.record().in(), clip.record().out())
                .takeWhile(r -> shot.anchor().sourceAt(clip.at(r)).compareTo(Rational.of(begins)) < 0).count();
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
        if (after.clips().stream().noneMatch(s -> s.content() instanceof Clip.Content.OfMaster)) {
            return List.of();
        }
        warnings.changed().forEach(clip -> warnings.blackOf(clip, masters));
        return warnings.words;
    }

    private List<Clip> changed() {
        Map<Long, Clip> was = before.clips().stream().collect(Collectors.toMap(Clip::id, Function.identity()));
        return after.clips().stream().filter(s -> was.containsKey(s.id()) && !was.get(s.id()).equals(s)).toList();
    }

    private void pastHandles(Clip clip, Shot shot) {
        if (shot == null) {
            return;
        }
        long a = clip.at(clip.record().in()).floor();
        long b = clip.at(clip.record().last()).floor();
        FrameRange shown = clip.shownOver(clip.record());
        long past = shown.length() - shown.overlapWith(shot.frames());
        if (past > 0) {
            words.add(shot.code() + " now shows " + a + " to " + b + ": " + Amounts.frames(past)
                    + " past its handles, " + shot.frames().in() + "–" + shot.frames().last());
        }
    }

    private void blackOf(Clip clip, LongFunction<Master> masters) {
        if (!(clip.content() instanceof Clip.Content.OfMaster nested)) {
            return;
        }
        Master inner = masters.apply(nested.masterId());
        long seen = new LiveClips(masters).of(after).stream().filter(l -> l.outer().id() == clip.id())
                .mapToLong(l -> l.clip().record().length()).sum();
        long black = clip.record().length() - seen;
        boolean outside = clip.at(clip.record().in()).floor() < inner.start()
                || clip.at(clip.record().last()).floor() >= inner.end();
        if (outside && black > 0) {
            words.add(inner.name() + " has nothing at " + Amounts.frames(black)
                    + " that its clip now shows: they are black");
        }
    }
}
