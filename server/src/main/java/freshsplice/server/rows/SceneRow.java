package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A set with one action clock. */
@Entity
@DynamicUpdate
@Table(name = "scene")
public class SceneRow extends AliveRow {
    public long projectId;
    public String code;
    public String name;
}
