package freshsplice.server.renders;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.OutputKind;
import freshsplice.render.OutputWriter;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.RenderOutputRow;
import freshsplice.server.rows.RenderPartRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.TriedAgain;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The lives of renders in their table. Each change is one transaction. */
@Component
class RenderStates {
    private static final int LONGEST_ERROR = 500;

    private final Store store;
    private final JdbcTemplate jdbc;
    private final TransactionTemplate transactions;

    RenderStates(Store store, JdbcTemplate jdbc, TransactionTemplate transactions) {
        this.store = store;
        this.jdbc = jdbc;
        this.transactions = transactions;
    }

    @Transactional(readOnly = true)
    public RenderRow row(long renderId) {
        return store.get(RenderRow.class, renderId);
    }

    /** @return whether it is to be drawn: it waited, or was being drawn when the server was killed */
    @Transactional
    public boolean begin(long renderId) {
        RenderRow row = store.get(RenderRow.class, renderId);
        if (!Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING).contains(row.state)) {
            return false;
        }
        row.state = RenderRow.State.DRAWING;
        row.startedAt = row.startedAt == null ? Instant.now() : row.startedAt;
        row.error = null;
        return true;
    }

    /** Notes what it is drawn from. */
    @Transactional
    public void madeFrom(long renderId, Fingerprint fingerprint, String folder) {
        store.get(RenderRow.class, renderId).folder = folder;
        store.where(RenderPartRow.class, "renderId", renderId).forEach(store.entities()::remove);
        store.entities().flush();
        fingerprint.parts().forEach((part, digest) -> {
            RenderPartRow made = new RenderPartRow();
            made.renderId = renderId;
            made.part = part;
            made.digest = digest;
            store.add(made);
        });
    }

    /** Changes the state where it is one of some. @return whether it was */
    @Transactional
    public boolean change(long renderId, Set<RenderRow.State> from, RenderRow.State to) {
        RenderRow row = store.get(RenderRow.class, renderId);
        boolean may = from.contains(row.state);
        if (may) {
            row.state = to;
            row.finishedAt = to == RenderRow.State.WAITING ? null : Instant.now();
            row.error = null;
        }
        return may;
    }

    /** Several changes as one transaction. */
    <T> T together(Supplier<T> changes) {
        return TriedAgain.onConflict(() -> transactions.execute(status -> changes.get()));
    }

    /** Whether it waits or is being drawn. */
    @Transactional(readOnly = true)
    public boolean isOpen(long renderId) {
        return Set.of(RenderRow.State.WAITING, RenderRow.State.DRAWING).contains(store.get(RenderRow.class, renderId).state);
    }

    /** Notes what draws its frames where nothing does yet. @return whether this was the first to say so */
    public boolean bind(long renderId, String driver) {
        return Boolean.TRUE.equals(transactions.execute(status -> jdbc.update("update render set driver = ? where id = ? and driver is null",
                driver, renderId) > 0));
    }

    public void bindAnew(long renderId, String driver) {
        transactions.executeWithoutResult(status -> jdbc.update("update render set driver = ? where id = ?", driver, renderId));
    }

    @Transactional
    public void fail(long renderId, String error) {
        RenderRow row = store.get(RenderRow.class, renderId);
        row.state = RenderRow.State.FAILED;
        row.finishedAt = Instant.now();
        row.error = error == null ? "It failed" : error.substring(0, Math.min(LONGEST_ERROR, error.length()));
    }

    /** The movie that another program made it as, all of which it shows; empty for what we draw and for pictures. */
    @Transactional(readOnly = true)
    public Optional<MediaRow> given(RenderRow row) {
        return Optional.ofNullable(row.mediaId).map(id -> store.get(MediaRow.class, id))
                .filter(m -> m.kind == MediaRow.Kind.MOVIE && m.frames == row.frames);
    }

    /** @param movie that windows play */
    @Transactional
    public void done(long renderId, List<OutputWriter.WrittenOutput> written, OutputWriter.WrittenOutput movie, String sha256) {
        RenderRow row = store.get(RenderRow.class, renderId);
        row.state = RenderRow.State.DONE;
        row.framesDone = row.frames;
        row.finishedAt = Instant.now();
        row.file = row.folder + "/" + movie.file();
        row.bytes = written.stream().mapToLong(OutputWriter.WrittenOutput::bytes).sum();
        row.sha256 = sha256;
        add(row, written);
    }

    /** Notes files that a finished render was written into afterwards. */
    @Transactional
    public void wrote(long renderId, List<OutputWriter.WrittenOutput> written) {
        add(store.get(RenderRow.class, renderId), written);
    }

    /** Finished renders of the same frames of a shot or master at one grade that are older. What was stopped or failed may go on. */
    @Transactional(readOnly = true)
    public List<Long> olderThan(RenderRow row) {
        return store.where(RenderRow.class, row.shotId == null ? "masterId" : "shotId", row.shotId == null ? row.masterId : row.shotId).stream()
                .filter(r -> r.id < row.id && r.grade == row.grade && r.state == RenderRow.State.DONE && isOfSameFrames(r, row)).map(r -> r.id).toList();
    }

    private static boolean isOfSameFrames(RenderRow a, RenderRow b) {
        return FinishedRenders.range(a).equals(FinishedRenders.range(b));
    }

    private void add(RenderRow row, List<OutputWriter.WrittenOutput> written) {
        Map<OutputKind, RenderOutputRow> there = new EnumMap<>(OutputKind.class);
        store.where(RenderOutputRow.class, "renderId", row.id).forEach(o -> there.put(o.kind, o));
        written.stream().map(w -> there.remove(w.kind())).filter(Objects::nonNull).forEach(store.entities()::remove);
        store.entities().flush();
        for (OutputWriter.WrittenOutput one : written) {
            RenderOutputRow output = new RenderOutputRow();
            output.renderId = row.id;
            output.kind = one.kind();
            output.file = row.folder + "/" + one.file();
            output.lastFile = row.folder + "/" + one.last();
            output.files = one.count();
            output.bytes = one.bytes();
            there.put(output.kind, store.add(output));
        }
        OutputKind.delivered(there.keySet()).map(kind -> there.get(kind).file)
                .ifPresent(file -> row.delivered = file.substring(file.lastIndexOf('/') + 1));
    }
}
