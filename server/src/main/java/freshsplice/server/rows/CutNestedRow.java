package freshsplice.server.rows;

import freshsplice.core.time.FrameRate;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A cut nested in a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_nested")
public class CutNestedRow extends Row {
    public long cutId;
    public String name;
    public FrameRate rate;
    public boolean dropFrame;
    public long recIn;
    public long recOut;
}
