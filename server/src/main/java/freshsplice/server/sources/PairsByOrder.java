package freshsplice.server.sources;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Track;
import freshsplice.core.sources.ByOrder;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.SourceNeed;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.cuts.CutStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pictures that a cut misses beside files that nothing uses, first with first: offered, never done by itself. */
@Service
public class PairsByOrder {
    /**
     * A picture that is missing.
     *
     * @param key     what it is known by
     * @param mediaId the file that stands at its place in the order; null where there are fewer files
     */
    public record Pair(String key, String name, @Schema(nullable = true) Long mediaId) {
    }

    /** @param unused all files that nothing uses, in the order in which they were given */
    public record View(List<Pair> pairs, List<FileView> unused) {
    }

    private final Store store;
    private final CutStore cuts;
    private final Sources sources;
    private final Choosing choosing;
    private final UnusedFiles unused;

    PairsByOrder(Store store, CutStore cuts, Sources sources, Choosing choosing, UnusedFiles unused) {
        this.store = store;
        this.cuts = cuts;
        this.sources = sources;
        this.choosing = choosing;
        this.unused = unused;
    }

    @Transactional(readOnly = true)
    public View of(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        List<MediaRow> files = unused.of(row.projectId);
        Map<String, String> missing = missing(row.projectId, cuts.read(row));
        List<Candidate> ordered = ByOrder.of(files.stream().filter(f -> f.kind != MediaRow.Kind.SOUND)
                .map(Sources::candidate).toList(), missing.size());
        List<Pair> pairs = new ArrayList<>();
        missing.forEach((key, name) -> pairs.add(new Pair(key, name,
                pairs.size() < ordered.size() ? ordered.get(pairs.size()).id() : null)));
        return new View(pairs, files.stream().map(FileView::of).toList());
    }

    /** By what they are known by, in the order of the cut; what somebody said has no picture is not missing. */
    private Map<String, String> missing(long projectId, Cut cut) {
        Finders finders = sources.finders(projectId, Sources.all(cut));
        Map<String, String> missing = new LinkedHashMap<>();
        for (SourceNeed wanted : Sources.wanted(cut).get(Track.Kind.PICTURE)) {
            if (finders.idOf(Track.Kind.PICTURE, wanted) == null && !finders.of(Track.Kind.PICTURE).isChosen(wanted)) {
                missing.put(wanted.source().identity(), wanted.source().label());
            }
        }
        return inRecordOrder(missing, cut);
    }

    /** By where each is first seen, whichever track it lies on; what is never seen comes last. */
    private static Map<String, String> inRecordOrder(Map<String, String> missing, Cut cut) {
        Map<String, Long> first = new HashMap<>();
        LivePicture.of(cut).stream().filter(p -> p.event().source() != null)
                .forEach(p -> first.merge(p.event().source().identity(), p.record().in(), Math::min));
        Map<String, String> ordered = new LinkedHashMap<>();
        missing.entrySet().stream().sorted(Comparator.comparingLong(m -> first.getOrDefault(m.getKey(), Long.MAX_VALUE)))
                .forEach(m -> ordered.put(m.getKey(), m.getValue()));
        return ordered;
    }

    /**
     * Gives each its file, as one step.
     *
     * @param files for each missing picture, by what it is known by, its file
     */
    public void give(long projectId, Map<String, Long> files, Asker who) {
        if (files == null || files.isEmpty() || files.containsValue(null)) {
            throw new Refused("No pair was given: choose a file for at least one picture, and leave out those without one");
        }
        Map<String, SourceNeed> wanted = choosing.wantedNow(projectId).get(Track.Kind.PICTURE);
        for (Map.Entry<String, Long> pair : files.entrySet()) {
            if (!wanted.containsKey(pair.getKey())) {
                throw new Refused("No cut of this project has that picture any more: look at the pairs again");
            }
            SourceList.checkHas(store.get(MediaRow.class, pair.getValue()), Track.Kind.PICTURE);
        }
        choosing.choose(projectId, Track.Kind.PICTURE, files, who);
    }
}
