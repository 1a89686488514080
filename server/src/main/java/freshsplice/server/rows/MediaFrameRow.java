package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** One picture of a numbered run. */
@Entity
@OutsideSteps("written once, with its run")
@DynamicUpdate
@Table(name = "media_frame")
public class MediaFrameRow extends Row {
    public long mediaId;
    public long number;
    public long frameId;
}
