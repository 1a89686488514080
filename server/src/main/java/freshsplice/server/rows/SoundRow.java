package freshsplice.server.rows;

import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A clip of sound of a master. */
@Entity
@DynamicUpdate
@Table(name = "sound")
public class SoundRow extends AliveRow {
    public long masterId;
    public String track;
    public String name;
    /** What its source is known by; null where it was laid by hand. */
    public String sourceKey;
    public Long mediaId;
    public long recIn;
    public long recOut;
    /** Exact seconds into the file at its first frame. */
    public Rational fromSeconds;
    /** In decibels. */
    public double level;
    /** Frames over which it rises from silence, and falls to it. */
    public long fadeIn;
    public long fadeOut;
    /** Channel of its file, from 1; 0 for all. */
    public int channel;
}
