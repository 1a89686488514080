package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Track;
import freshsplice.core.master.Transition;
import freshsplice.core.master.Transitions;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.server.rows.CutRow;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.ProjectFiles;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.cuts.CutStore;
import java.util.List;
import java.util.UUID;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Clips of a cut with their pictures, as the window draws them. */
@Component
class CutViews {
    private static final int MOST = 16;

    /** Clips as they were last put together, and from what. */
    private record View(List<CutClip> clips, ProjectFiles files, String stamp, List<CutClips.Clip> views) {
    }

    private final CutStore cuts;
    private final Sources sources;
    private final Cache<Long, View> shown = Caffeine.newBuilder().maximumSize(MOST).build();

    CutViews(CutStore cuts, Sources sources) {
        this.cuts = cuts;
        this.sources = sources;
    }

    /** A version of the cut. */
    CutClips of(CutRow row) {
        return new CutClips(row.id, row.version, row.name, shown(row, cuts.clips(row)).views);
    }

    /** Another one whenever the clips or their pictures are others. @param clips the cut's, as they are now */
    String stamp(CutRow row, List<CutClip> clips) {
        return shown(row, clips).stamp;
    }

    private View shown(CutRow row, List<CutClip> clips) {
        ProjectFiles files = sources.files(row.projectId);
        View known = shown.getIfPresent(row.id);
        if (known == null || known.clips != clips || !known.files.equals(files)) {
            known = new View(clips, files, UUID.randomUUID().toString(), views(cuts.picked(row), clips, files));
            shown.put(row.id, known);
        }
        return known;
    }

    private List<CutClips.Clip> views(Cut cut, List<CutClip> clips, ProjectFiles files) {
        Finders finders = files.finders(Sources.all(cut));
        return clips.stream().map(p -> {
            Candidate file = finders.find(Track.Kind.PICTURE, Sources.wanted(p, cut.rate())).map(Match::file).orElse(null);
            Transition head = Transitions.head(p.head(), p.edge().in());
            Transition tail = Transitions.tail(p.tail(), p.record(), p.edge().out());
            return new CutClips.Clip(p.edge().in(), p.edge().out(), p.name(), file == null ? null : file.id(), p.isSlate(),
                    p.record().in(), Weights.in(head), Weights.out(tail),
                    file == null || !file.moves() ? List.of() : mediaFrames(p, file));
        }).toList();
    }

    private static List<Long> mediaFrames(CutClip clip, Candidate file) {
        MediaFrames shown = MediaFrames.of(file, clip.source(), clip.edge(), clip.time());
        return LongStream.range(clip.record().in(), clip.record().out())
                .mapToObj(r -> shown.frameAt(clip.time().at(r))).toList();
    }
}
