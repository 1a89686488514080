package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A seam of a cut that could be closed and is to stay. */
@Entity
@DynamicUpdate
@Table(name = "cut_apart")
public class CutApartRow extends AliveRow {
    public long cutId;
    public long seam;
}
