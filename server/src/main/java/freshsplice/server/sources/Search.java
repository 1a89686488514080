package freshsplice.server.sources;

import freshsplice.core.cut.Track;
import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.Fit;
import freshsplice.core.sources.MediaKind;
import freshsplice.core.sources.SourceFinder;
import freshsplice.core.sources.SourceNeed;
import freshsplice.render.Probe;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.media.MediaStore;
import freshsplice.server.media.StandIns;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.ServerFolders.Place;
import freshsplice.server.steps.Asker;
import freshsplice.server.tasks.Task;
import freshsplice.server.tasks.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Looks for what is missing in the folders of the server, in the background: first by path and name, then by the reel
 * and timecode that files tell of themselves; and for linked files that are not where they were, by size and checksum.
 */
@Service
public class Search {
    private static final long LOOK_AGAIN_MS = 5_000;
    private static final Asker ITSELF = Asker.named("The server");
    private static final Logger LOG = LoggerFactory.getLogger(Search.class);

    private final Store store;
    private final Choosing choosing;
    private final Sources sources;
    private final ServerFolders folders;
    private final ZipFiles zips;
    private final MediaStore media;
    private final HashLists hashLists;
    private final Runs runs;
    private final OwnRenders ownRenders;
    private final StandIns standIns;
    private final Tasks tasks;
    private final TransactionTemplate transactions;
    private final Snapshot snapshot;
    private final LiveUpdates live;
    private final Overwritten overwritten;

    Search(Store store, Choosing choosing, Sources sources, ServerFolders folders, ZipFiles zips, MediaStore media,
           HashLists hashLists, Runs runs, OwnRenders ownRenders, StandIns standIns, Tasks tasks, TransactionTemplate transactions, Snapshot snapshot, LiveUpdates live,
           Overwritten overwritten) {
        this.overwritten = overwritten;
        this.store = store;
        this.choosing = choosing;
        this.sources = sources;
        this.folders = folders;
        this.zips = zips;
        this.media = media;
        this.hashLists = hashLists;
        this.runs = runs;
        this.ownRenders = ownRenders;
        this.standIns = standIns;
        this.tasks = tasks;
        this.transactions = transactions;
        this.snapshot = snapshot;
        this.live = live;
    }

    /** Whether there are folders to look in. */
    public boolean hasFolders() {
        return folders.any();
    }

    /**
     * Begins in the background. What it finds is nobody's step: a person's undo takes back what they did themselves, whenever files
     * are found.
     */
    public void start(long projectId) {
        if (folders.any()) {
            tasks.start(projectId, "Looking in the server's folders", task -> {
                try {
                    look(projectId, task);
                } catch (IOException e) {
                    throw new UncheckedIOException("The server's folders cannot be read", e);
                }
            });
        }
    }

    /** Files that were overwritten where they lie come as a newer file of the same name does: what shows them is the server's step. */
    @Scheduled(fixedDelay = LOOK_AGAIN_MS, initialDelay = LOOK_AGAIN_MS)
    void lookAgain() {
        for (long projectId : overwritten.projects()) {
            takeOverwritten(projectId);
        }
    }

    private void takeOverwritten(long projectId) {
        Map<Long, MediaRow> came = overwritten.take(projectId);
        if (!came.isEmpty()) {
            choosing.replace(projectId, came, ITSELF);
            standIns.make(projectId, List.copyOf(came.values()));
            live.tell(projectId, new LiveUpdates.Update("media", 0, "", ""));
        }
    }

    /** What came is compared with lists of checksums and put into runs; then it falls into its places. */
    public int settle(long projectId, Asker who) {
        Map<Track.Kind, Map<String, SourceNeed>> wanted = choosing.wantedNow(projectId);
        ProjectRow project = store.get(ProjectRow.class, projectId);
        try {
            hashLists.match(projectId, Choosing.flat(wanted));
        } catch (IOException e) {
            LOG.warn("Checksums could not be compared: {}", e.getMessage());
        }
        try {
            ownRenders.link(projectId, wanted.get(Track.Kind.PICTURE).values());
        } catch (IOException e) {
            LOG.warn("A render of our own could not be read: {}", e.getMessage());
        }
        runs.make(projectId, wanted.get(Track.Kind.PICTURE).values(), project.rate);
        return choosing.fill(projectId, who);
    }

    private void look(long projectId, Task task) throws IOException {
        List<Place> places = folders.all(task);
        findMoved(projectId, places, task);
        takeOverwritten(projectId);
        Map<Track.Kind, Map<String, SourceNeed>> wanted = choosing.wantedNow(projectId);
        List<MediaRow> came = new ArrayList<>();
        for (Track.Kind kind : Track.Kind.values()) {
            Map<SourceNeed, Place> found = byName(kind, missing(projectId, kind, wanted), Choosing.flat(wanted), places);
            came.addAll(take(projectId, found, task));
            came.addAll(take(projectId, byReel(missing(projectId, kind, wanted), places, task), task));
        }
        settle(projectId, ITSELF);
        standIns.make(projectId, came);
        live.tell(projectId, new LiveUpdates.Update("media", 0, "", ""));
    }

    private List<SourceNeed> missing(long projectId, Track.Kind kind, Map<Track.Kind, Map<String, SourceNeed>> wanted) {
        Finders finders = snapshot.read(() -> sources.finders(projectId, Choosing.flat(wanted)));
        return wanted.get(kind).values().stream().filter(w -> finders.find(kind, w).map(f -> f.fit().isDoubtful())
                .orElse(true)).toList();
    }

    private static Map<SourceNeed, Place> byName(Track.Kind kind, List<SourceNeed> missing, List<SourceNeed> wanted,
                                             List<Place> places) {
        List<Candidate> candidates = ServerFolders.candidates(places).stream().filter(c -> fits(kind, c.path())).toList();
        SourceFinder finder = new SourceFinder(candidates, wanted, Map.of());
        Map<SourceNeed, Place> found = new LinkedHashMap<>();
        for (SourceNeed one : missing) {
            finder.find(one).filter(f -> f.fit() != Fit.REEL)
                    .ifPresent(f -> found.put(one, places.get((int) f.file().id())));
        }
        return found;
    }

    private static boolean fits(Track.Kind kind, String path) {
        MediaKind is = MediaKind.of(path);
        return kind == Track.Kind.PICTURE ? is != MediaKind.SOUND : is == MediaKind.SOUND || is == MediaKind.MOVIE;
    }

    /** Movies are opened one by one: a file knows its reel and its timecode itself. */
    private Map<SourceNeed, Place> byReel(List<SourceNeed> missing, List<Place> places, Task task) {
        Map<SourceNeed, Place> found = new LinkedHashMap<>();
        if (missing.stream().noneMatch(SourceNeed::hasReel)) {
            return found;
        }
        List<Candidate> known = new ArrayList<>();
        for (int i = 0; i < places.size() && !task.isStopped(); i++) {
            Place place = places.get(i);
            if (place.entry() == null && MediaKind.of(place.path()) == MediaKind.MOVIE) {
                opened(i, place).ifPresent(known::add);
            }
            task.progress(i, places.size());
        }
        SourceFinder finder = new SourceFinder(known, missing, Map.of());
        for (SourceNeed one : missing) {
            finder.find(one).ifPresent(f -> found.put(one, places.get((int) f.file().id())));
        }
        return found;
    }

    private static Optional<Candidate> opened(int id, Place place) {
        try {
            Probe probe = Probe.of(place.file());
            Long start = MediaStore.startFrame(probe) == 0 ? null : MediaStore.startFrame(probe);
            return Optional.of(new Candidate(id, place.path(), place.path(), probe.reel(), probe.rate(), start,
                    probe.frames(), List.of()));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private List<MediaRow> take(long projectId, Map<SourceNeed, Place> found, Task task) {
        List<MediaRow> came = new ArrayList<>();
        Map<Place, Boolean> taken = new HashMap<>();
        int done = 0;
        for (Place place : found.values()) {
            if (task.isStopped()) {
                break;
            }
            if (taken.put(place, true) == null) {
                try {
                    came.add(takeOne(projectId, place));
                } catch (IOException | RuntimeException e) {
                    LOG.warn("{} is left aside: {}", place.path(), e.getMessage());
                }
            }
            task.progress(++done, found.size());
        }
        return came;
    }

    /** Makes a file of a folder known to a project: linked where it lies, or unpacked from its zip. */
    MediaRow takeOne(long projectId, Place place) throws IOException {
        if (place.entry() == null) {
            MediaRow there = store.where(MediaRow.class, "linked", place.path()).stream()
                    .filter(m -> m.projectId == projectId).max(Comparator.comparing(m -> m.id)).orElse(null);
            return there != null ? there : media.link(projectId, place.file());
        }
        List<MediaStore.StoredFile> kept = zips.unpack(place.file(), place.file().toString(), place.entry()::equals);
        if (kept.isEmpty()) {
            throw new IOException(place.path() + " is not there any more");
        }
        return media.add(projectId, kept.get(0));
    }

    /** Linked files that are gone are sought by size, then by checksum. */
    private void findMoved(long projectId, List<Place> places, Task task) throws IOException {
        for (MediaRow file : store.where(MediaRow.class, "projectId", projectId)) {
            if (file.linked == null || Files.exists(media.file(file)) || task.isStopped()) {
                continue;
            }
            for (Place place : places) {
                if (place.entry() == null && place.bytes() == file.bytes && media.isSame(file, place.file())) {
                    transactions.executeWithoutResult(s -> {
                        MediaRow row = store.get(MediaRow.class, file.id);
                        row.linked = place.path();
                        row.path = place.path();
                    });
                    break;
                }
            }
        }
    }

    /** Every file of the folders, for somebody to choose from. */
    public List<String> paths(String text, int most) throws IOException {
        String wanted = text.toLowerCase(Locale.ROOT);
        return folders.all(null).stream().map(Place::path)
                .filter(p -> p.toLowerCase(Locale.ROOT).contains(wanted)).limit(most).toList();
    }

    /** @throws IOException if there is no such file in the folders of the server */
    public MediaRow link(long projectId, String path) throws IOException {
        Place place = folders.all(null).stream().filter(p -> p.path().equals(path)).findFirst()
                .orElseThrow(() -> new IOException(path + " is not in the folders of the server any more"));
        return takeOne(projectId, place);
    }
}
