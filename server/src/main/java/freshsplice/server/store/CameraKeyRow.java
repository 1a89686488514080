package freshsplice.server.store;

import freshsplice.core.camera.CameraChannel;
import freshsplice.core.motion.Easing;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;

/** A key of a camera, on shot frames. */
@Entity
@Table(name = "camera_key")
public class CameraKeyRow extends AliveRow {
    public long cameraId;
    @Enumerated(EnumType.STRING)
    public CameraChannel channel;
    public long frame;
    public double value;
    @Enumerated(EnumType.STRING)
    public Easing easing;
}
