package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** An assembled sequence and the cut it is held against. */
@Entity
@DynamicUpdate
@Table(name = "master")
public class MasterRow extends AliveRow {
    public long projectId;
    public long sceneId;
    public String name;
    public long recStart;
    /** The cut that it is held against; null while there is none. */
    public Long cutId;
}
