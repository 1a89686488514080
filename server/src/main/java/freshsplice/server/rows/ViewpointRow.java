package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A saved position of the scout view. */
@Entity
@DynamicUpdate
@Table(name = "viewpoint")
public class ViewpointRow extends AliveRow {
    public long sceneId;
    public int place;
    public String name;
    public double x;
    public double y;
    public double z;
    public double pan;
    public double tilt;
    public double roll;
    public double lens;
    public double focus;
}
