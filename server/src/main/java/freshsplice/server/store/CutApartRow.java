package freshsplice.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A seam of a cut that could be closed and is to stay. */
@Entity
@Table(name = "cut_apart")
public class CutApartRow extends Row {
    public long cutId;
    public long seam;
}
