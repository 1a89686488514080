package freshsplice.server.rows;

import freshsplice.core.cut.Remark;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** What its reader had to say about a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_remark")
public class CutRemarkRow extends Row {
    public long cutId;
    public int place;
    @Enumerated(EnumType.STRING)
    public Remark.Severity severity;
    public String spot;
    public String text;
}
