package freshsplice.core.render;

import freshsplice.core.board.BoardFit;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.time.Rational;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * A shot's board as a picture.
 *
 * @param keys   of its files, by the frame from which each is seen: one from 0, or one for every picture of a run
 * @param run    whether its files are pictures of a run; else it is one movie or one picture
 * @param frames which of them shows what
 * @param fit    how it is laid over the picture
 * @param aspect width over height of the board
 */
public record ShotBoard(NavigableMap<Long, String> keys, boolean run, MediaFrames frames, BoardFit fit, double aspect) {
    public static ShotBoard ofFile(String key, MediaFrames frames, BoardFit fit, double aspect) {
        return new ShotBoard(new TreeMap<>(Map.of(0L, key)), false, frames, fit, aspect);
    }

    /** @param keys of its pictures by their frames, counted from 0; where there is none the one before is seen */
    public static ShotBoard ofRun(NavigableMap<Long, String> keys, MediaFrames frames, BoardFit fit, double aspect) {
        return new ShotBoard(keys, true, frames, fit, aspect);
    }

    /** What is seen of it at a shot frame. @param picture width over height of the picture that it is laid over */
    FrameOrder.Source.OfBoard at(Shot shot, Rational position, double picture) {
        long frame = frames.frameAt(shot.anchor().sourceAt(position));
        Map.Entry<Long, String> seen = keys.floorEntry(frame);
        String key = seen == null ? keys.firstEntry().getValue() : seen.getValue();
        return new FrameOrder.Source.OfBoard(key, run ? 0 : frame, fit.crop(),
                fit.in(aspect, picture));
    }
}
