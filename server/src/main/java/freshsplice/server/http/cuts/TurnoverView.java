package freshsplice.server.http.cuts;

import freshsplice.core.changes.ChangeKind;
import freshsplice.core.changes.Impact;
import freshsplice.core.identity.SameSources;
import freshsplice.core.time.FrameRange;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * A newer cut against the master.
 *
 * @param ours    the master's clips
 * @param theirs  the newer cut's clips
 * @param unchanged clips on both sides that no change names
 * @param sources sources that we know under other names
 * @param applied whether the master is held against this cut already
 */
public record TurnoverView(long cutId, int version, String name, boolean applied, int kept, long oursLength,
                           long theirsLength, List<Clip> ours, List<Clip> theirs, List<Pair> unchanged, List<Change> changes,
                           List<SameSource> sources) {
    /** @param ours index of our clip; @param theirs index of the newer cut's */
    public record Pair(int ours, int theirs) {
    }

    /**
     * @param mediaId    picture of the cut; null where none is found, for a slate and for our clips
     * @param slate      whether it is a title, a colour or bars
     * @param mediaFrame frame of that which is seen first
     */
    public record Clip(long in, long out, String name, @Schema(nullable = true) Long mediaId, boolean slate, long mediaFrame) {
    }

    /**
     * @param index   place in the list
     * @param id      what it is, by which it is chosen: the same however the list around it changes
     * @param olderKey identity of our clip's source; empty for a new one
     * @param newerKey identity of the newer clip's source; empty for one that is gone
     * @param ours    index of our clip; −1 for a new one
     * @param theirs  index of the newer cut's clip; −1 for one that is gone
     * @param words   what changed, in words
     * @param asks    what it asks of the shot, in words
     * @param pushed  only pushed along by another change: follows it by itself
     * @param missing frames that the newer cut shows and no camera work covers
     * @param covered shot frames that there is camera work for; null without a shot
     * @param shown   shot frames that the clip shows once the change is applied; null where it shows none of ours
     */
    public record Change(int index, String id, String olderKey, String newerKey, ChangeKind kind, int ours, int theirs, @Schema(nullable = true) Long shotId, String code, String name,
                         String words, long head, long tail, long slip, long shift, Impact needs, String asks,
                         boolean pushed, int because, long missing, @Schema(nullable = true) Span covered,
                         @Schema(nullable = true) Span shown) {
    }

    /** Shot frames. @param out the frame after the last */
    public record Span(long in, long out) {
        static Span of(FrameRange range) {
            return range == null ? null : new Span(range.in(), range.out());
        }
    }

    /**
     * A source of the newer cut that we know under other names.
     *
     * @param same    false where somebody said that they are two
     * @param because what agrees, in words
     */
    public record SameSource(String older, String newer, String olderName, String newerName, boolean same,
                             SameSources.Sureness sureness, String because) {
    }
}
