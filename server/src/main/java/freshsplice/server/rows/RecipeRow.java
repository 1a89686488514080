package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A named set of render settings. */
@Entity
@DynamicUpdate
@Table(name = "recipe")
public class RecipeRow extends AliveRow {
    public long projectId;
    public String name;
    /** Whether it is the one that is used while none is chosen. */
    public boolean usual;
    /** As JSON. */
    public String settings;
}
