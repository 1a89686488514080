package freshsplice.server.sources;

import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.SourceFinder;
import freshsplice.core.sources.SourceNeed;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.MediaListedRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.SourceChoiceRow;
import freshsplice.server.rows.Store;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The files of a project as what clips may mean, and the clips of cuts as what is to be found. */
@Component
public class Sources {
    private final Store store;

    Sources(Store store) {
        this.store = store;
    }

    /** Finders over all files of a project. @param wanted all that is to be found, see {@link SourceFinder} */
    public Finders finders(long projectId, List<SourceNeed> wanted) {
        return files(projectId).finders(wanted);
    }

    /** All files of a project, and what was chosen among them. */
    public ProjectFiles files(long projectId) {
        List<MediaRow> files = Overwritten.newestOfEach(store.where(MediaRow.class, "projectId", projectId));
        Map<Long, List<String>> listed = store.whereIn(MediaListedRow.class, "mediaId",
                        files.stream().map(f -> f.id).toList()).stream()
                .collect(Collectors.groupingBy(l -> l.mediaId, Collectors.mapping(l -> l.path, Collectors.toList())));
        return new ProjectFiles(
                files.stream().filter(f -> f.kind != MediaRow.Kind.SOUND).map(f -> candidate(f, listed)).toList(),
                choices(projectId, Track.Kind.PICTURE),
                files.stream().filter(f -> f.kind == MediaRow.Kind.SOUND || f.kind == MediaRow.Kind.MOVIE)
                        .map(f -> candidate(f, listed)).toList(),
                choices(projectId, Track.Kind.SOUND));
    }

    private Map<String, Long> choices(long projectId, Track.Kind kind) {
        Map<String, Long> chosen = new HashMap<>();
        store.where(SourceChoiceRow.class, "projectId", projectId).stream().filter(c -> c.kind == kind)
                .forEach(c -> chosen.put(c.sourceKey, c.mediaId));
        return chosen;
    }

    /** A file as what a clip may mean, without the lists of checksums that know it. */
    public static Candidate candidate(MediaRow file) {
        return candidate(file, Map.of());
    }

    private static Candidate candidate(MediaRow file, Map<Long, List<String>> listed) {
        boolean hasTimecode = file.rate != null && (file.startFrame > 0 || file.kind == MediaRow.Kind.RUN);
        return new Candidate(file.id, file.path, file.sha256, file.reel, file.rate,
                hasTimecode ? (Long) file.startFrame : null, file.frames, listed.getOrDefault(file.id, List.of()));
    }

    /** What is seen and heard in a cut, each source once for each part of it that is used, nested cuts opened. */
    public static Map<Track.Kind, List<SourceNeed>> wanted(Cut cut) {
        Map<Track.Kind, Map<SourceNeed, Boolean>> found = new HashMap<>();
        collect(cut, found, new IdentityHashMap<>());
        Map<Track.Kind, List<SourceNeed>> lists = new HashMap<>();
        for (Track.Kind kind : Track.Kind.values()) {
            lists.put(kind, List.copyOf(found.getOrDefault(kind, Map.of()).keySet()));
        }
        return lists;
    }

    /** All of it in one list. */
    public static List<SourceNeed> all(Cut cut) {
        List<SourceNeed> all = new ArrayList<>();
        wanted(cut).values().forEach(all::addAll);
        return all;
    }

    /** Of a nested cut all tracks are taken: what shows its picture is laid with its sound. */
    private static void collect(Cut cut, Map<Track.Kind, Map<SourceNeed, Boolean>> found, Map<Cut, Boolean> seen) {
        if (seen.put(cut, true) != null) {
            return;
        }
        for (Track track : cut.tracks()) {
            for (Event event : track.events()) {
                if (event.nested() != null) {
                    collect(event.nested(), found, seen);
                } else if (event.source() != null) {
                    found.computeIfAbsent(track.kind(), k -> new LinkedHashMap<>()).put(wanted(event, cut.rate()), true);
                }
            }
        }
    }

    /** What a clip shows; null where it has no source. */
    public static SourceNeed wanted(CutClip clip, FrameRate cutRate) {
        if (clip.source() == null) {
            return null;
        }
        Rational a = clip.time().at(clip.record().in());
        Rational b = clip.time().at(clip.record().out());
        FrameRate own = clip.source().rate();
        return new SourceNeed(clip.source(), Rational.min(a, b), Rational.max(a, b), own == null ? cutRate : own);
    }

    /** What an event shows or sounds; null where it has no source. */
    public static SourceNeed wanted(Event event, FrameRate cutRate) {
        return event.source() == null ? null : SourceNeed.of(event, cutRate);
    }
}
