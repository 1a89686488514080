package freshsplice.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A camera of a scene. */
@Entity
@Table(name = "camera")
public class CameraRow extends AliveRow {
    public long sceneId;
    public String name;
    public double backWidth;
    public double backHeight;
    @Column(name = "t_stop")
    public double stop;
}
