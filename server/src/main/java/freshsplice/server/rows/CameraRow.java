package freshsplice.server.rows;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A camera of a scene. */
@Entity
@DynamicUpdate
@Table(name = "camera")
public class CameraRow extends AliveRow {
    public long sceneId;
    public String name;
    public double backWidth;
    public double backHeight;
    @Column(name = "t_stop")
    public double stop;
}
