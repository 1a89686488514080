package freshsplice.core.render;

import freshsplice.core.master.SeenClip;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import java.util.Collection;
import java.util.List;
import java.util.stream.LongStream;

/**
 * Which frames there are of a shot.
 *
 * @param shot   the shot
 * @param action action frames of its scene, from the first to the one after the last
 * @param clips all clips that show it
 */
public record ShotFrames(Shot shot, FrameRange action, List<SeenClip> clips) {
    /** The cut range: drawn where no clip shows it. */
    public FrameRange cut() {
        return shot.cutRange();
    }

    /** The whole action in the shot's own frames. */
    public FrameRange wholeAction() {
        return FrameRange.of(action.in() - shot.actionOffset(), action.out() - shot.actionOffset());
    }

    /** The shot frame at an action frame. */
    public long frameAt(long actionFrame) {
        return actionFrame - shot.actionOffset();
    }

    /** The action of a scene: all that any of its shots shows, and all that any of its things does. @param shots at least one */
    public static FrameRange action(Collection<Shot> shots, Stage stage) {
        LongStream ends = shots.stream().flatMapToLong(s -> LongStream.of(s.cutRange().in() + s.actionOffset(), s.cutRange().out() + s.actionOffset()));
        LongStream keys = stage.items().stream().filter(Item::moves).flatMap(i -> i.channels().values().stream()).flatMap(c -> c.keys().stream())
                .flatMapToLong(k -> LongStream.of(k.frame(), k.frame() + 1));
        var all = LongStream.concat(ends, keys).summaryStatistics();
        return FrameRange.of(all.getMin(), all.getMax());
    }
}
