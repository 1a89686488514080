package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Source;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Our own names in a cut that came back: a clip that is called after one of our renders, or after a shot, says by its
 * timecode which of our frames it shows. This is asked before any comparing by source.
 */
public final class Origins {
    /**
     * @param shotId   the shot
     * @param position exact shot frame at the clip's cut
     * @param slope    shot frames per record frame; the mean where its speed changes
     * @param retimeKeys    where its speed changes, counted from the clip's cut; empty for a constant one
     */
    public record Origin(long shotId, Rational position, Rational slope, List<RetimeKey> retimeKeys) {
        /** Where a clip is in the shot, frame by frame; null where its speed does not change. @param edge the clip */
        Course course(FrameRange edge) {
            return retimeKeys.isEmpty() ? null : new Course(edge, r -> at(r - edge.in()));
        }

        /** The exact shot frame so many record frames after the clip's cut. */
        Rational at(long frames) {
            return retimeKeys.isEmpty() ? position.plus(slope.times(frames)) : RetimeKey.at(retimeKeys, Rational.of(frames));
        }
    }

    private record Own(long shotId, RenderRange range) {
    }

    private final Map<String, Own> renders = new HashMap<>();
    private final Map<String, Own> files = new HashMap<>();
    private final Map<String, Long> shots = new HashMap<>();

    /** Makes a render known. */
    public Origins render(RenderName name, long shotId, RenderRange range) {
        renders.put(name.toString().toLowerCase(Locale.ROOT), new Own(shotId, range));
        return this;
    }

    /** Makes a file of a render known, which may be called otherwise than the render: a list may name nothing else. */
    public Origins file(String file, long shotId, RenderRange range) {
        files.put(stem(file), new Own(shotId, range));
        return this;
    }

    private static String stem(String file) {
        int dot = file.lastIndexOf('.');
        return (dot <= 0 ? file : file.substring(0, dot)).toLowerCase(Locale.ROOT);
    }

    /** Makes a shot known by its code. */
    public Origins shot(String code, long shotId) {
        shots.put(code.toLowerCase(Locale.ROOT), shotId);
        return this;
    }

    /** Which of our frames a clip shows; empty where its names are none of ours. */
    public Optional<Origin> of(CutClip clip) {
        Source source = clip.source();
        if (source == null) {
            return Optional.empty();
        }
        for (String name : names(source)) {
            Own own = renders.isEmpty() ? null : RenderName.parse(name).map(n -> renders.get(n.toString())).orElse(null);
            own = own == null ? files.get(stem(name)) : own;
            if (own != null) {
                return Optional.of(ofRender(own, clip));
            }
            Long shot = shots.get(name.toLowerCase(Locale.ROOT));
            if (shot != null) {
                return Optional.of(new Origin(shot, clip.from(), clip.slope(), keyed(clip)));
            }
        }
        return Optional.empty();
    }

    private static Origin ofRender(Own own, CutClip clip) {
        RenderRange range = own.range();
        Rational frame = clip.from().minus(Rational.of(range.startTimecode()));
        boolean plain = clip.slope().equals(Rational.ONE) && frame.isWhole();
        if (range.retimeKeys().isEmpty() || !plain) {
            return new Origin(own.shotId(), range.from().plus(range.speed().times(frame)),
                    range.speed().times(clip.slope()), List.of());
        }
        // the movie plays as it is: its course is the clip's, counted from where the clip begins in it
        List<RetimeKey> retimeKeys = RetimeKey.shifted(range.retimeKeys(), -frame.floor());
        Rational length = Rational.of(clip.edge().length());
        Rational from = RetimeKey.at(retimeKeys, Rational.ZERO);
        return new Origin(own.shotId(), from, RetimeKey.at(retimeKeys, length).minus(from).dividedBy(length), retimeKeys);
    }

    /** The keys of a clip whose speed changes, counted from its cut; empty where it does not. */
    private static List<RetimeKey> keyed(CutClip clip) {
        TimeMap time = clip.time().withoutStraightKeys();
        return time.slope().isPresent() ? List.of() : RetimeKey.of(time.smooth() ? time.frameByFrame(clip.edge()) : time, clip.edge().in());
    }

    private static List<String> names(Source source) {
        String file = source.file() == null ? null
                : source.file().substring(Math.max(source.file().lastIndexOf('/'), source.file().lastIndexOf('\\')) + 1);
        return Stream.of(source.name(), source.reel(), file).filter(n -> n != null && !n.isBlank()).toList();
    }
}
