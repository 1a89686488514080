package freshsplice.server.rows;

import freshsplice.core.camera.CameraChannel;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A key of a camera, on shot frames. */
@Entity
@DynamicUpdate
@Table(name = "camera_key")
public class CameraKeyRow extends KeyRow {
    public long cameraId;
    @Enumerated(EnumType.STRING)
    public CameraChannel channel;
}
