package freshsplice.server.sources;

import freshsplice.core.sources.FileNames;
import freshsplice.core.sources.SourceNeed;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.hashlist.HashList;
import freshsplice.server.media.Digests;
import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.ListedFileRow;
import freshsplice.server.rows.MediaListedRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Settings;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Lists of checksums: a file that was renamed is known again by what a list says of its size and bytes. */
@Component
public class HashLists {
    private final Store store;
    private final MediaStore media;
    private final Settings settings;

    HashLists(Store store, MediaStore media, Settings settings) {
        this.store = store;
        this.media = media;
        this.settings = settings;
    }

    public static boolean isHashList(String name) {
        return name.toLowerCase(Locale.ROOT).endsWith(".mhl");
    }

    /** Notes what a list says. @return how many files it knows */
    @Transactional
    public int keep(long projectId, MediaStore.StoredFile kept) throws IOException {
        List<HashList.Entry> entries = HashList.read(new InputFile(kept.name(),
                Files.readAllBytes(media.file(kept.stored()))), settings.cutLimits());
        Set<String> known = new HashSet<>();
        store.where(ListedFileRow.class, "projectId", projectId).forEach(r -> known.add(r.path + r.digest));
        for (HashList.Entry entry : entries) {
            if (entry.path().length() <= 1000 && known.add(entry.path() + entry.digest())) {
                ListedFileRow row = new ListedFileRow();
                row.projectId = projectId;
                row.path = entry.path();
                row.bytes = entry.bytes();
                row.method = entry.method();
                row.digest = entry.digest();
                store.add(row);
            }
        }
        return entries.size();
    }

    /** Compares files with what lists say of the names that are wanted; only files of the listed size are read. */
    @Transactional
    public void match(long projectId, Collection<SourceNeed> wanted) throws IOException {
        Set<String> names = new HashSet<>();
        wanted.forEach(w -> w.names().forEach(n -> names.add(FileNames.base(n).toLowerCase(Locale.ROOT))));
        List<MediaRow> files = store.where(MediaRow.class, "projectId", projectId);
        Set<String> noted = new HashSet<>();
        store.whereIn(MediaListedRow.class, "mediaId", files.stream().map(f -> f.id).toList())
                .forEach(r -> noted.add(r.mediaId + r.path));
        for (ListedFileRow listed : store.where(ListedFileRow.class, "projectId", projectId)) {
            if (!names.contains(FileNames.base(listed.path).toLowerCase(Locale.ROOT))) {
                continue;
            }
            for (MediaRow file : files) {
                boolean same = file.bytes == listed.bytes && file.kind != MediaRow.Kind.RUN
                        && !noted.contains(file.id + listed.path) && Files.exists(media.file(file))
                        && Digests.of(media.file(file), listed.method).equals(listed.digest);
                if (same) {
                    MediaListedRow row = new MediaListedRow();
                    row.mediaId = file.id;
                    row.path = listed.path;
                    store.add(row);
                }
            }
        }
    }
}
