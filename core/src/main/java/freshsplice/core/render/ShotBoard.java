package freshsplice.core.render;

import freshsplice.core.board.BoardFit;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.time.Rational;

/**
 * A shot's board as a picture.
 *
 * @param key    of its file
 * @param frames which of them shows what
 * @param fit    how it is laid over the picture
 * @param aspect width over height of the board
 */
public record ShotBoard(String key, MediaFrames frames, BoardFit fit, double aspect) {
    /** What is seen of it at a shot frame. @param picture width over height of the picture that it is laid over */
    FrameOrder.Source.OfBoard at(Shot shot, Rational position, double picture) {
        return new FrameOrder.Source.OfBoard(key, frames.frameAt(shot.anchor().sourceAt(position)), fit.crop(),
                fit.in(aspect, picture));
    }
}
