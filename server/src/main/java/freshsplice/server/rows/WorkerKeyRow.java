package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;

/** A key by which another machine draws for this one. */
@Entity
@OutsideSteps("a key is no part of any project, and is let in again by itself")
@Table(name = "worker_key")
public class WorkerKeyRow extends Row {
    public String name;
    /** SHA-256 of the key. */
    public String digest;
    public String who;
    public Instant madeAt;
    /** Null while it is let in. */
    public Instant revokedAt;
}
