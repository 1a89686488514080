package freshsplice.server.rows;

import freshsplice.core.camera.CameraChannel;
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
    /** What no key moves; null for what nobody ever touched. Metres, degrees, millimetres. */
    public Double x;
    public Double y;
    public Double z;
    public Double pan;
    public Double tilt;
    public Double roll;
    public Double lens;
    public Double focus;
    @Column(name = "t_stop")
    public Double stop;
    public boolean locked;
    /** The thing that it turns to, and the point of it; null for none. */
    public Long aimItem;
    @Column(name = "aim_x")
    public double aimX;
    @Column(name = "aim_y")
    public double aimY;
    @Column(name = "aim_z")
    public double aimZ;
    public double aimLag;
    /** The thing that its focus is kept on; null for none. */
    public Long focusItem;
    @Column(name = "focus_x")
    public double focusX;
    @Column(name = "focus_y")
    public double focusY;
    @Column(name = "focus_z")
    public double focusZ;

    /** The value of a channel that no key moves; null where nobody touched it. */
    public Double plain(CameraChannel channel) {
        return switch (channel) {
            case X -> x;
            case Y -> y;
            case Z -> z;
            case PAN -> pan;
            case TILT -> tilt;
            case ROLL -> roll;
            case LENS -> lens;
            case FOCUS -> focus;
            case STOP -> stop;
        };
    }

    public void setPlain(CameraChannel channel, Double value) {
        switch (channel) {
            case X -> x = value;
            case Y -> y = value;
            case Z -> z = value;
            case PAN -> pan = value;
            case TILT -> tilt = value;
            case ROLL -> roll = value;
            case LENS -> lens = value;
            case FOCUS -> focus = value;
            case STOP -> stop = value;
        }
    }
}
