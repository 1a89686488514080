package freshsplice.server.workers;

import freshsplice.render.FileDigest;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.Store;
import freshsplice.server.rows.WorkerKeyRow;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Keys by which other machines draw for this one. They give no other right. */
@Service
public class WorkerKeys {
    /** A key that was made. @param key said this once and never again */
    public record IssuedKey(long id, String key) {
    }

    private static final String BEGINNING = "fs-worker-";
    private static final int BYTES = 32;
    private static final int LONGEST = 100;

    private final Store store;
    private final TransactionTemplate transactions;
    /** Ids of keys that are let in, by their digests: they are shown with every frame. */
    private final Map<String, Long> known = new ConcurrentHashMap<>();
    private final SecureRandom random = new SecureRandom();

    WorkerKeys(Store store, TransactionTemplate transactions) {
        this.store = store;
        this.transactions = transactions;
    }

    /** @param name for people; @throws Refused if it is empty or too long */
    @Transactional
    public IssuedKey make(String name, String who) {
        String called = name.strip();
        if (called.isEmpty() || called.length() > LONGEST) {
            throw new Refused("A key has a name of 1 to " + LONGEST + " letters");
        }
        byte[] secret = new byte[BYTES];
        random.nextBytes(secret);
        String key = BEGINNING + Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        WorkerKeyRow row = new WorkerKeyRow();
        row.name = called;
        row.digest = digest(key);
        row.who = who;
        row.madeAt = Instant.now();
        store.add(row);
        return new IssuedKey(row.id, key);
    }

    @Transactional(readOnly = true)
    public List<WorkerKeyRow> all() {
        return store.all(WorkerKeyRow.class).stream().sorted(Comparator.comparing(k -> k.id)).toList();
    }

    /** Lets a key in no more, or again. */
    public void letIn(long id, boolean in) {
        transactions.executeWithoutResult(status -> store.get(WorkerKeyRow.class, id).revokedAt = in ? null : Instant.now());
        known.values().remove(id);
    }

    /** The key that somebody shows, where there is one that is let in. */
    @Transactional(readOnly = true)
    public Optional<Long> letIn(String key) {
        String digest = digest(key);
        return Optional.ofNullable(known.computeIfAbsent(digest, shown -> store.where(WorkerKeyRow.class, "digest", shown).stream()
                .filter(k -> k.revokedAt == null).map(k -> k.id).findFirst().orElse(null)));
    }

    private static String digest(String key) {
        return FileDigest.of(key.getBytes(StandardCharsets.UTF_8));
    }
}
