package freshsplice.core.conform;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Marker;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.LongPredicate;
import java.util.stream.Stream;

/** Plans the shots of a cut: one for each clip, numbered, with its frames and its camera. Changes nothing. */
public final class Conform {
    private Conform() {
    }

    /** The stretches of a cut that are one shot each, flashes, gaps and overlaps put right as chosen. */
    public static List<CutClip> clips(Cut cut, LongPredicate keepApart, Map<Long, Fix> fixes) {
        return Fixes.of(cut, CutClips.joined(cut, keepApart), fixes);
    }

    public static ConformPlan plan(Cut cut, ConformChoices choices) {
        List<CutClip> asCut = CutClips.joined(cut, choices.keepApart());
        List<CutClip> all = Fixes.of(cut, asCut, choices.fixes());
        List<CutClip> clips = all.stream().filter(p -> !p.isSlate()).toList();
        List<String> codes = choices.pattern() == null ? choices.numbering().codes(clips.size(), choices.used())
                : choices.pattern().codes(clips.stream().map(p -> namesAt(cut, p)).toList(), choices.numbering(),
                choices.used());
        List<PlannedShot> shots = new ArrayList<>(clips.size());
        for (int i = 0; i < clips.size(); i++) {
            CutClip clip = clips.get(i);
            FrameRange frames = FrameRange.ofLength(choices.numbering().firstFrame(), clip.record().length());
            String camera = choices.cameras().getOrDefault(clip.record().in(), cameraOf(codes.get(i)));
            shots.add(new PlannedShot(codes.get(i), camera, frames, clip, scene(cut, clip, choices.scenes())));
        }
        return new ConformPlan(shots, all.stream().filter(CutClip::isSlate).toList(), gaps(cut, all), ClipRemarks.of(cut, asCut, choices));
    }

    /** Where a code may stand: in the name of a clip, then in the markers on it. */
    public static List<String> namesAt(Cut cut, CutClip clip) {
        Stream<Marker> markers = cut.markers().stream().filter(m -> clip.edge().contains(m.record().in()));
        return Stream.concat(Stream.of(clip.name()), markers.flatMap(m -> Stream.of(m.name(), m.comment())))
                .filter(name -> !name.isBlank()).toList();
    }

    /** The scene that a clip's name or markers say; empty where they say none. */
    public static String scene(Cut cut, CutClip clip, CodePattern scenes) {
        return scenes == null ? "" : namesAt(cut, clip).stream().flatMap(name -> scenes.in(name, "").stream()).findFirst().orElse("");
    }

    /** The name of a shot's own camera. */
    public static String cameraOf(String code) {
        return code + "_cam";
    }

    private static List<FrameRange> gaps(Cut cut, List<CutClip> clips) {
        List<FrameRange> gaps = new ArrayList<>();
        long at = cut.record().in();
        for (CutClip clip : clips) {
            if (clip.record().in() > at) {
                gaps.add(FrameRange.of(at, clip.record().in()));
            }
            at = Math.max(at, clip.record().out());
        }
        if (at < cut.record().out()) {
            gaps.add(FrameRange.of(at, cut.record().out()));
        }
        return gaps;
    }
}
