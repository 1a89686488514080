package freshsplice.server.sources;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Track;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.FolderMove;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceFinder.Match;
import freshsplice.core.sources.SourceNeed;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.cuts.CutStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was found how, the doubtful first, and the choices that can be made about it. */
@Service
public class SourceList {
    /**
     * A source of a cut.
     *
     * @param key      what it is known by
     * @param path     where the cut says it lies; empty where it does not
     * @param uses     events that show or sound it
     * @param mediaId  its file; null where it is missing
     * @param mediaFrame frame of that which is used first
     * @param file     that file's name with its folders
     * @param found    how it was found, in words
     * @param doubtful whether somebody should look
     * @param chosen   whether somebody chose
     */
    public record View(String kind, String key, String name, String path, int uses,
                       @Schema(nullable = true) Long mediaId, long mediaFrame, @Schema(nullable = true) String file,
                       @Schema(nullable = true) String found, boolean doubtful, boolean chosen) {
    }

    private final Store store;
    private final CutStore cuts;
    private final Sources sources;
    private final Choosing choosing;
    private final Search search;

    SourceList(Store store, CutStore cuts, Sources sources, Choosing choosing, Search search) {
        this.store = store;
        this.cuts = cuts;
        this.sources = sources;
        this.choosing = choosing;
        this.search = search;
    }

    /** The sources of a cut: doubtful, then missing, then those that are sure, each in order of the cut. */
    @Transactional(readOnly = true)
    public List<View> of(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        Cut cut = cuts.read(row);
        Finders finders = sources.finders(row.projectId, Sources.all(cut));
        List<View> views = new ArrayList<>();
        Sources.wanted(cut).forEach((kind, list) -> {
            Map<String, List<SourceNeed>> byKey = new LinkedHashMap<>();
            list.forEach(w -> byKey.computeIfAbsent(w.source().identity(), k -> new ArrayList<>()).add(w));
            byKey.forEach((key, uses) -> views.add(view(kind, key, uses, finders)));
        });
        views.sort(Comparator.comparingInt(v -> v.doubtful() ? 0 : v.mediaId() == null ? 1 : 2));
        return views;
    }

    private static View view(Track.Kind kind, String key, List<SourceNeed> uses, Finders finders) {
        SourceNeed first = uses.get(0);
        Match found = finders.find(kind, first).orElse(null);
        String path = first.source().file() == null ? "" : first.source().file();
        boolean chosen = finders.of(kind).isChosen(first);
        return found == null ? new View(kind.word(), key, first.source().label(), path, uses.size(), null, 0, null,
                chosen ? "none of the files, by choice" : null, false, chosen)
                : new View(kind.word(), key, first.source().label(), path, uses.size(), found.file().id(),
                firstFrame(found.file(), first), found.file().path(), found.words(), found.isDoubtful(), chosen);
    }

    private static long firstFrame(Candidate file, SourceNeed wanted) {
        return wanted.from() == null || !file.moves() ? 0 : MediaFrames.of(file, wanted.from().floor(),
                MediaFrames.begins(wanted.source(), wanted.from(), wanted.from())).frameAt(wanted.from());
    }

    /**
     * Chooses a file for a source, wherever it is used.
     *
     * @param mediaId    the file, or null
     * @param path       a file in the folders of the server, or null; with neither none of the files is it
     * @param withFolder sources beside it follow, where their files lie beside the one that was chosen
     * @return how many sources were given a file
     */
    public int choose(long projectId, Track.Kind kind, String key, Long mediaId, String path, boolean withFolder,
                      Asker who) throws IOException {
        Map<Track.Kind, Map<String, SourceNeed>> wanted = choosing.wantedNow(projectId);
        SourceNeed one = wanted.get(kind).get(key);
        if (one == null) {
            throw new Refused("No cut of this project has that " + kind.word() + " any more: look at the list again");
        }
        MediaRow file = path != null ? search.link(projectId, path)
                : mediaId != null ? store.get(MediaRow.class, mediaId) : null;
        if (file != null) {
            checkHas(file, kind);
        }
        Map<String, Long> files = new LinkedHashMap<>();
        files.put(key, file == null ? null : file.id);
        if (withFolder && file != null && one.source().file() != null) {
            files.putAll(beside(projectId, FolderMove.of(one.source().file(), file.path), wanted.get(kind), key));
        }
        choosing.choose(projectId, kind, files, who);
        return files.size();
    }

    /** @throws Refused if a file has none of what is asked of it; a movie has both */
    static void checkHas(MediaRow file, Track.Kind kind) {
        boolean sound = file.kind == MediaRow.Kind.SOUND;
        if (sound != (kind == Track.Kind.SOUND) && file.kind != MediaRow.Kind.MOVIE) {
            throw new Refused(file.name + (sound ? " is sound and has no picture" : " is a picture and has no sound"));
        }
    }

    private Map<String, Long> beside(long projectId, FolderMove move, Map<String, SourceNeed> wanted, String chosen)
            throws IOException {
        Map<String, MediaRow> known = new HashMap<>();
        store.where(MediaRow.class, "projectId", projectId).forEach(m -> known.put(FolderMove.comparable(m.path), m));
        Map<String, String> inFolders = new HashMap<>();
        search.paths("", Integer.MAX_VALUE).forEach(p -> inFolders.put(FolderMove.comparable(p), p));
        Map<String, Long> files = new LinkedHashMap<>();
        for (Map.Entry<String, SourceNeed> other : wanted.entrySet()) {
            String path = other.getValue().source().file();
            String there = path == null || other.getKey().equals(chosen) ? null : move.moved(path).orElse(null);
            if (there != null && known.containsKey(there)) {
                files.put(other.getKey(), known.get(there).id);
            } else if (there != null && inFolders.containsKey(there)) {
                files.put(other.getKey(), search.link(projectId, inFolders.get(there)).id);
            }
        }
        return files;
    }
}
