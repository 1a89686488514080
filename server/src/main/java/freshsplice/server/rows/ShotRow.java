package freshsplice.server.rows;

import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A shot with its lasting relation to the edit. */
@Entity
@DynamicUpdate
@Table(name = "shot")
public class ShotRow extends AliveRow {
    public long projectId;
    public long sceneId;
    public long cameraId;
    public String code;
    public long cutIn;
    public long cutOut;
    public int handles;
    public long actionOffset;
    public String anchorKey;
    public String anchorName;
    public long anchorFrame;
    public Rational anchorSource;
    public Rational anchorSlope;
    public boolean anchorStill;
    /** As {@link freshsplice.core.time.TimeMap#text}, shot frame to source position; null where the source runs evenly. */
    public String anchorCourse;
    public boolean omitted;
    /** The shot that it was forked from; null for one that was not. */
    public Long forkedFrom;
}
