package freshsplice.server.sources;

import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.Store;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Files in the server's folders that hold something else than when they were looked at: written anew where they lie. */
@Component
class Overwritten {
    /** A file that was written so short a time ago may not be whole yet. */
    private static final long RESTED_MS = 3_000;
    private static final Logger LOG = LoggerFactory.getLogger(Overwritten.class);

    /** A file that is linked to. @param writtenAt as it was looked at; null where that is not known */
    private record Linked(long id, String path, long bytes, Long writtenAt) {
    }

    private final Store store;
    private final MediaStore media;
    private final JdbcTemplate jdbc;
    private final TransactionTemplate transactions;

    Overwritten(Store store, MediaStore media, JdbcTemplate jdbc, TransactionTemplate transactions) {
        this.store = store;
        this.media = media;
        this.jdbc = jdbc;
        this.transactions = transactions;
    }

    /** Projects that link to files. */
    List<Long> projects() {
        return jdbc.queryForList("select distinct project_id from media where linked is not null and alive = 1", Long.class);
    }

    /** Makes those of a project known as files of their own; the ones of before stay, for what was made of them. @return the new ones, by the id of that before */
    Map<Long, MediaRow> take(long projectId) {
        Map<Long, MediaRow> came = new LinkedHashMap<>();
        for (Linked file : linked(projectId)) {
            try {
                MediaRow newer = newer(file);
                if (newer != null) {
                    LOG.info("{} was written anew where it lies", file.path());
                    came.put(file.id(), newer);
                }
            } catch (IOException | RuntimeException e) {
                LOG.warn("{} was written anew and cannot be read: {}", file.path(), e.getMessage());
            }
        }
        return came;
    }

    /** The newest of each place, as far as looking at the disk needs it: that is done again and again. */
    private List<Linked> linked(long projectId) {
        return jdbc.query("select id, linked, bytes, written_at from (select id, linked, bytes, written_at, max(id) over (partition by linked) as newest "
                + "from media where project_id = ? and alive = 1 and linked is not null) m where id = newest",
                (r, n) -> new Linked(r.getLong(1), r.getString(2), r.getLong(3), (Long) r.getObject(4)), projectId);
    }

    /** All but linked files of which there is a newer one in the same place. */
    static List<MediaRow> newestOfEach(List<MediaRow> files) {
        Map<String, MediaRow> byPath = files.stream().filter(m -> m.linked != null)
                .collect(Collectors.toMap(m -> m.linked, m -> m, BinaryOperator.maxBy((a, b) -> Long.compare(a.id, b.id))));
        return files.stream().filter(m -> m.linked == null || byPath.get(m.linked) == m).toList();
    }

    private MediaRow newer(Linked link) throws IOException {
        Path file = Path.of(link.path());
        if (!Files.isRegularFile(file)) {
            return null;
        }
        long written = Files.getLastModifiedTime(file).toMillis();
        boolean asBefore = link.writtenAt() != null && link.writtenAt() == written && link.bytes() == Files.size(file);
        if (asBefore || System.currentTimeMillis() - written < RESTED_MS) {
            return null;
        }
        MediaRow known = store.get(MediaRow.class, link.id());
        MediaRow newer = media.isSame(known, file) ? null : media.link(known.projectId, file, known.path);
        transactions.executeWithoutResult(status -> store.get(MediaRow.class, known.id).writtenAt = written);
        return newer;
    }
}
