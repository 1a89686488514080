package freshsplice.core.changes;

import freshsplice.core.conform.CutPiece;
import freshsplice.core.cut.Source;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.time.Rational;
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
     * @param position exact shot frame at the piece's cut
     * @param slope    shot frames per record frame
     */
    public record Origin(long shotId, Rational position, Rational slope) {
    }

    private record Own(long shotId, RenderRange range) {
    }

    private final Map<String, Own> renders = new HashMap<>();
    private final Map<String, Long> shots = new HashMap<>();

    /** Makes a render known. */
    public Origins render(RenderName name, long shotId, RenderRange range) {
        renders.put(name.toString().toLowerCase(Locale.ROOT), new Own(shotId, range));
        return this;
    }

    /** Makes a shot known by its code. */
    public Origins shot(String code, long shotId) {
        shots.put(code.toLowerCase(Locale.ROOT), shotId);
        return this;
    }

    /** Which of our frames a piece shows; empty where its names are none of ours. */
    public Optional<Origin> of(CutPiece piece) {
        Source source = piece.source();
        if (source == null) {
            return Optional.empty();
        }
        for (String name : names(source)) {
            Own own = renders.isEmpty() ? null : RenderName.parse(name).map(n -> renders.get(n.toString())).orElse(null);
            if (own != null) {
                Rational frame = piece.from().minus(Rational.of(own.range().startTimecode()));
                return Optional.of(new Origin(own.shotId(), own.range().from().plus(own.range().speed().times(frame)),
                        own.range().speed().times(piece.slope())));
            }
            Long shot = shots.get(name.toLowerCase(Locale.ROOT));
            if (shot != null) {
                return Optional.of(new Origin(shot, piece.from(), piece.slope()));
            }
        }
        return Optional.empty();
    }

    private static List<String> names(Source source) {
        String file = source.file() == null ? null
                : source.file().substring(Math.max(source.file().lastIndexOf('/'), source.file().lastIndexOf('\\')) + 1);
        return Stream.of(source.name(), source.reel(), file).filter(n -> n != null && !n.isBlank()).toList();
    }
}
