package freshsplice.server.rows;

import freshsplice.core.conform.Fix;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** What was chosen about a flash, a gap or an overlap. */
@Entity
@DynamicUpdate
@Table(name = "cut_fix")
public class CutFixRow extends AliveRow {
    public long cutId;
    public long atFrame;
    @Enumerated(EnumType.STRING)
    public Fix fix;
}
