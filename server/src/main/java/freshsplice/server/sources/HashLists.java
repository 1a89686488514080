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
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Settings;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Lists of checksums: a file that was renamed is known again by what a list says of its size and bytes. */
@Component
public class HashLists {
    private final Store store;
    private final MediaStore media;
    private final Settings settings;
    private final Snapshot snapshot;
    private final TransactionTemplate transactions;

    HashLists(Store store, MediaStore media, Settings settings, Snapshot snapshot, TransactionTemplate transactions) {
        this.snapshot = snapshot;
        this.transactions = transactions;
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

    /** A file that may be one that a list tells of. */
    private record Alike(MediaRow file, ListedFileRow listed) {
        boolean isSame(MediaStore media) throws IOException {
            return Files.exists(media.file(file)) && Digests.of(media.file(file), listed.method).equals(listed.digest);
        }
    }

    /**
     * Compares files with what lists say of the names that are wanted; only files of the listed size are read. Reading takes as long as
     * files are large: nothing of the database is held meanwhile.
     *
     * @throws org.springframework.transaction.IllegalTransactionStateException if somebody holds it nonetheless
     */
    @Transactional(propagation = Propagation.NEVER)
    public void match(long projectId, Collection<SourceNeed> wanted) throws IOException {
        List<Alike> same = new ArrayList<>();
        for (Alike one : snapshot.read(() -> alike(projectId, wanted))) {
            if (one.isSame(media)) {
                same.add(one);
            }
        }
        if (!same.isEmpty()) {
            transactions.executeWithoutResult(status -> note(same));
        }
    }

    private void note(List<Alike> same) {
        Set<String> noted = noted(same.stream().map(one -> one.file.id).toList());
        for (Alike one : same) {
            if (noted.add(one.file.id + one.listed.path)) {
                MediaListedRow row = new MediaListedRow();
                row.mediaId = one.file.id;
                row.path = one.listed.path;
                store.add(row);
            }
        }
    }

    private Set<String> noted(List<Long> files) {
        return store.whereIn(MediaListedRow.class, "mediaId", files).stream().map(r -> r.mediaId + r.path).collect(Collectors.toCollection(HashSet::new));
    }

    private List<Alike> alike(long projectId, Collection<SourceNeed> wanted) {
        Set<String> names = new HashSet<>();
        wanted.forEach(w -> w.names().forEach(n -> names.add(FileNames.base(n).toLowerCase(Locale.ROOT))));
        List<MediaRow> files = store.where(MediaRow.class, "projectId", projectId).stream().filter(f -> f.kind != MediaRow.Kind.RUN).toList();
        Set<String> noted = noted(files.stream().map(f -> f.id).toList());
        List<Alike> alike = new ArrayList<>();
        for (ListedFileRow listed : store.where(ListedFileRow.class, "projectId", projectId)) {
            if (names.contains(FileNames.base(listed.path).toLowerCase(Locale.ROOT))) {
                files.stream().filter(f -> f.bytes == listed.bytes && !noted.contains(f.id + listed.path)).forEach(f -> alike.add(new Alike(f, listed)));
            }
        }
        return alike;
    }
}
