package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A motion layer on a camera, on shot frames. */
@Entity
@DynamicUpdate
@Table(name = "camera_layer")
public class CameraLayerRow extends AliveRow {
    public long cameraId;
    public long layerId;
    public long fromFrame;
    public long frames;
    public double strength;
    public boolean switchedOn;
}
