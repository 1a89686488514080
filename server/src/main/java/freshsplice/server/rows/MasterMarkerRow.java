package freshsplice.server.rows;

import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A marker with words at frames of a master, or on a clip that carries it along. */
@Entity
@DynamicUpdate
@Table(name = "master_marker")
public class MasterMarkerRow extends AliveRow {
    public long masterId;
    /** The clip that carries it; null where it stands on the record clock. */
    public Long clipId;
    /** Record frame where it stands; of no meaning on a clip. */
    public long recIn;
    public long frames;
    /** Position in what the clip shows; null on the record clock. */
    public Rational position;
    public String words;
    public String who;
}
