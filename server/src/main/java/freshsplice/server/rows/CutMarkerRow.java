package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A marker of a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_marker")
public class CutMarkerRow extends Row {
    public long cutId;
    public long recIn;
    public long recOut;
    public String name;
    public String comment;
    public String colour;
}
