package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** What somebody said of two sources, by their identities. */
@Entity
@DynamicUpdate
@Table(name = "source_pairing")
public class SourcePairingRow extends AliveRow {
    public long projectId;
    public String olderKey;
    public String newerKey;
    /** Whether they are one source under two names. */
    public boolean same;
}
