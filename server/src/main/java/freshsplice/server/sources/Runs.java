package freshsplice.server.sources;

import freshsplice.core.cut.ImageSequence;
import freshsplice.core.cut.Source;
import freshsplice.core.sources.FileNames;
import freshsplice.core.sources.SourceNeed;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.MediaFrameRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Numbered pictures that a cut uses as one moving source are made one. */
@Component
public class Runs {
    private final Store store;

    Runs(Store store) {
        this.store = store;
    }

    /**
     * Pictures of one name in one folder.
     *
     * @param files by their numbers; of two of one number the newer
     */
    private record Group(String folder, NavigableMap<Long, MediaRow> files) {
    }

    /**
     * Makes a run for each source that names one and has at least two of its pictures there; a run that was made
     * before takes in pictures that came since. Pictures of another folder are another run, and so are those that came
     * again with other contents: what shows the one before goes on showing it.
     */
    @Transactional
    void make(long projectId, Collection<SourceNeed> pictures, FrameRate rate) {
        Map<String, List<Group>> groups = groups(projectId);
        for (SourceNeed wanted : pictures) {
            Group run = wanted.names().flatMap(n -> runOf(n, wanted.source(), groups).stream()).findFirst().orElse(null);
            if (run != null) {
                FrameRate own = wanted.source().rate() == null ? rate : wanted.source().rate();
                write(projectId, run.files(), own);
            }
        }
    }

    private Map<String, List<Group>> groups(long projectId) {
        Map<String, Map<String, Group>> byFolder = new HashMap<>();
        for (MediaRow file : store.where(MediaRow.class, "projectId", projectId)) {
            if (file.kind == MediaRow.Kind.PICTURE) {
                ImageSequence.of(file.name).ifPresent(name -> byFolder.computeIfAbsent(key(name), k -> new LinkedHashMap<>())
                        .computeIfAbsent(folder(file), f -> new Group(f, new TreeMap<>())).files().put(name.number(), file));
            }
        }
        Map<String, List<Group>> groups = new HashMap<>();
        byFolder.forEach((key, of) -> {
            List<Group> runs = of.values().stream().filter(g -> g.files().size() >= 2).toList();
            if (!runs.isEmpty()) {
                groups.put(key, runs);
            }
        });
        return groups;
    }

    private static String folder(MediaRow file) {
        return file.path.substring(0, Math.max(0, file.path.length() - file.name.length()));
    }

    private static String key(ImageSequence name) {
        return name.run().toLowerCase(java.util.Locale.ROOT);
    }

    /**
     * The run that a name stands for: named as such, or by its first picture where the source is exactly as long as
     * the pictures from there on are many. Of several folders the one that agrees furthest with the name's, then that of the most.
     */
    private static Optional<Group> runOf(String name, Source source, Map<String, List<Group>> groups) {
        ImageSequence parsed = ImageSequence.of(FileNames.base(name)).orElse(null);
        List<Group> known = parsed == null ? List.of() : groups.getOrDefault(key(parsed), List.of());
        return known.stream().filter(g -> parsed.number() < 0 || isWhole(g.files(), parsed, source))
                .max(Comparator.comparingInt((Group g) -> FileNames.sharedFolders(g.folder() + "x", name)).thenComparingInt(g -> g.files().size()));
    }

    private static boolean isWhole(NavigableMap<Long, MediaRow> files, ImageSequence first, Source source) {
        return source.length() != null && source.length() > 1 && files.firstKey() == first.number() && files.size() == source.length()
                && files.lastKey() - files.firstKey() + 1 == files.size();
    }

    /** Makes a run of pictures, whatever others there are of its name. @param files by their numbers */
    public MediaRow add(String name, NavigableMap<Long, MediaRow> files, FrameRate rate) {
        MediaRow row = new MediaRow();
        fill(row, name, files, rate);
        return row;
    }

    /** Makes a row the run of pictures, with those that it has not yet. */
    private void fill(MediaRow row, String name, NavigableMap<Long, MediaRow> files, FrameRate rate) {
        MediaRow first = files.firstEntry().getValue();
        row.projectId = first.projectId;
        row.kind = MediaRow.Kind.RUN;
        row.name = name;
        row.path = first.path.substring(0, first.path.length() - first.name.length()) + name;
        row.sha256 = first.sha256;
        row.width = first.width;
        row.height = first.height;
        row.rate = rate;
        row.startFrame = files.firstKey();
        row.frames = files.lastKey() - files.firstKey() + 1;
        row.seconds = rate.seconds(row.frames).toDouble();
        row.bytes = files.values().stream().mapToLong(f -> f.bytes).sum();
        if (row.id == null) {
            store.add(row);
        }
        addFrames(row, files);
    }

    private void write(long projectId, NavigableMap<Long, MediaRow> files, FrameRate rate) {
        MediaRow first = files.firstEntry().getValue();
        String name = ImageSequence.of(first.name).orElseThrow().run();
        String path = folder(first) + name;
        MediaRow row = store.where(MediaRow.class, "projectId", projectId).stream()
                .filter(m -> m.kind == MediaRow.Kind.RUN && m.path.equals(path) && goesOnIn(m, files)).findFirst().orElseGet(MediaRow::new);
        fill(row, name, files, rate);
    }

    /** Whether all pictures of a run are the same among these. */
    private boolean goesOnIn(MediaRow run, NavigableMap<Long, MediaRow> files) {
        return store.where(MediaFrameRow.class, "mediaId", run.id).stream().allMatch(f -> {
            MediaRow file = files.get(f.number);
            return file != null && file.id == f.frameId;
        });
    }

    private void addFrames(MediaRow row, NavigableMap<Long, MediaRow> files) {
        Map<Long, MediaFrameRow> there = new HashMap<>();
        store.where(MediaFrameRow.class, "mediaId", row.id).forEach(f -> there.put(f.number, f));
        files.forEach((number, file) -> {
            MediaFrameRow frame = there.get(number);
            if (frame == null) {
                frame = new MediaFrameRow();
                frame.mediaId = row.id;
                frame.number = number;
                frame.frameId = file.id;
                store.add(frame);
            }
            frame.frameId = file.id;
        });
    }
}
