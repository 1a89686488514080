package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** Movement that is laid over cameras of a scene. */
@Entity
@DynamicUpdate
@Table(name = "motion_layer")
public class MotionLayerRow extends AliveRow {
    public long sceneId;
    public String name;
    /** What it does, as {@link freshsplice.core.camera.MotionLayer.Sway#parse} reads it. */
    public String sway;
    /** How far it goes, metres and degrees; null for what it leaves alone. */
    public Double x;
    public Double y;
    public Double z;
    public Double pan;
    public Double tilt;
    public Double roll;
}
