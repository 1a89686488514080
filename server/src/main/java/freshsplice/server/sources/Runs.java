package freshsplice.server.sources;

import freshsplice.core.cut.SequenceName;
import freshsplice.core.cut.Source;
import freshsplice.core.sources.FileNames;
import freshsplice.core.sources.SourceNeed;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.MediaFrameRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import java.util.Collection;
import java.util.HashMap;
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
     * Makes a run for each source that names one and has at least two of its pictures there; a run that was made
     * before takes in pictures that came since.
     */
    @Transactional
    void make(long projectId, Collection<SourceNeed> pictures, FrameRate rate) {
        Map<String, NavigableMap<Long, MediaRow>> groups = groups(projectId);
        for (SourceNeed wanted : pictures) {
            String run = wanted.names().flatMap(n -> runOf(n, wanted.source(), groups).stream()).findFirst()
                    .orElse(null);
            if (run != null) {
                FrameRate own = wanted.source().rate() == null ? rate : wanted.source().rate();
                write(projectId, groups.get(run), own);
            }
        }
    }

    private Map<String, NavigableMap<Long, MediaRow>> groups(long projectId) {
        Map<String, NavigableMap<Long, MediaRow>> groups = new HashMap<>();
        for (MediaRow file : store.where(MediaRow.class, "projectId", projectId)) {
            if (file.kind == MediaRow.Kind.PICTURE) {
                SequenceName.of(file.name).ifPresent(name -> groups.computeIfAbsent(key(name), k -> new TreeMap<>())
                        .put(name.number(), file));
            }
        }
        groups.values().removeIf(files -> files.size() < 2);
        return groups;
    }

    private static String key(SequenceName name) {
        return name.run().toLowerCase(java.util.Locale.ROOT);
    }

    /**
     * The run that a name stands for: named as such, or by its first picture where the source is exactly as long as
     * the pictures from there on are many.
     */
    private static Optional<String> runOf(String name, Source source, Map<String, NavigableMap<Long, MediaRow>> groups) {
        SequenceName parsed = SequenceName.of(FileNames.base(name)).orElse(null);
        NavigableMap<Long, MediaRow> files = parsed == null ? null : groups.get(key(parsed));
        if (files == null) {
            return Optional.empty();
        }
        boolean whole = parsed.number() >= 0 && source.length() != null && source.length() > 1
                && files.firstKey() == parsed.number() && files.size() == source.length()
                && files.lastKey() - files.firstKey() + 1 == files.size();
        return parsed.number() < 0 || whole ? Optional.of(key(parsed)) : Optional.empty();
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
        String name = SequenceName.of(first.name).orElseThrow().run();
        MediaRow row = store.where(MediaRow.class, "projectId", projectId).stream()
                .filter(m -> m.kind == MediaRow.Kind.RUN && m.name.equals(name)).findFirst().orElseGet(MediaRow::new);
        fill(row, name, files, rate);
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
