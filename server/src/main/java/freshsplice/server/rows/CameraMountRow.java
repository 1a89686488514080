package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** What carries a camera from a frame on. */
@Entity
@DynamicUpdate
@Table(name = "camera_mount")
public class CameraMountRow extends AliveRow {
    public long cameraId;
    /** Shot frame; null for ever since. */
    public Long fromFrame;
    /** Null for nothing: it stands in the world. */
    public Long itemId;
}
