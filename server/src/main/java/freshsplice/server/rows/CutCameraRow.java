package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** The camera named for a shot that is not made yet. */
@Entity
@DynamicUpdate
@Table(name = "cut_camera")
public class CutCameraRow extends AliveRow {
    public long cutId;
    public long atFrame;
    public String name;
}
