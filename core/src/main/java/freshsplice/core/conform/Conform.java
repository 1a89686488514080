package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Marker;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.LongPredicate;
import java.util.stream.Stream;

/** Plans the shots of a cut: one for each piece, numbered, with its frames and its camera. Changes nothing. */
public final class Conform {
    private Conform() {
    }

    /** The stretches of a cut that are one shot each, flashes, gaps and overlaps put right as chosen. */
    public static List<CutPiece> pieces(Cut cut, LongPredicate keepApart, Map<Long, Fix> fixes) {
        return Fixes.of(cut, CutPieces.joined(cut, keepApart), fixes);
    }

    public static ConformPlan plan(Cut cut, ConformChoices choices) {
        List<CutPiece> asCut = CutPieces.joined(cut, choices.keepApart());
        List<CutPiece> all = Fixes.of(cut, asCut, choices.fixes());
        List<CutPiece> pieces = all.stream().filter(p -> !p.isSlate()).toList();
        List<String> codes = choices.pattern() == null ? choices.numbering().codes(pieces.size(), choices.used())
                : choices.pattern().codes(pieces.stream().map(p -> namesAt(cut, p)).toList(), choices.numbering(),
                choices.used());
        List<PlannedShot> shots = new ArrayList<>(pieces.size());
        for (int i = 0; i < pieces.size(); i++) {
            CutPiece piece = pieces.get(i);
            FrameRange frames = FrameRange.ofLength(choices.numbering().firstFrame(), piece.record().length());
            String camera = choices.cameras().getOrDefault(piece.record().in(), cameraOf(codes.get(i)));
            shots.add(new PlannedShot(codes.get(i), camera, frames, piece, scene(cut, piece, choices.scenes())));
        }
        return new ConformPlan(shots, all.stream().filter(CutPiece::isSlate).toList(), gaps(cut, all), PieceRemarks.of(cut, asCut, choices));
    }

    /** Where a code may stand: in the name of a piece, then in the markers on it. */
    public static List<String> namesAt(Cut cut, CutPiece piece) {
        Stream<Marker> markers = cut.markers().stream().filter(m -> piece.edge().contains(m.record().in()));
        return Stream.concat(Stream.of(piece.name()), markers.flatMap(m -> Stream.of(m.name(), m.comment())))
                .filter(name -> !name.isBlank()).toList();
    }

    /** The scene that a piece's name or markers say; empty where they say none. */
    public static String scene(Cut cut, CutPiece piece, CodePattern scenes) {
        return scenes == null ? "" : namesAt(cut, piece).stream().flatMap(name -> scenes.in(name, "").stream()).findFirst().orElse("");
    }

    /** The name of a shot's own camera. */
    public static String cameraOf(String code) {
        return code + "_cam";
    }

    private static List<FrameRange> gaps(Cut cut, List<CutPiece> pieces) {
        List<FrameRange> gaps = new ArrayList<>();
        long at = cut.record().in();
        for (CutPiece piece : pieces) {
            if (piece.record().in() > at) {
                gaps.add(FrameRange.of(at, piece.record().in()));
            }
            at = Math.max(at, piece.record().out());
        }
        if (at < cut.record().out()) {
            gaps.add(FrameRange.of(at, cut.record().out()));
        }
        return gaps;
    }
}
