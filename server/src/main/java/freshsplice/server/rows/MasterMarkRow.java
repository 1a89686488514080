package freshsplice.server.rows;

import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A mark with words at frames of a master, or on a piece that carries it along. */
@Entity
@DynamicUpdate
@Table(name = "master_mark")
public class MasterMarkRow extends AliveRow {
    public long masterId;
    /** The piece that carries it; null where it stands on the record clock. */
    public Long sectionId;
    /** Record frame where it stands; of no meaning on a piece. */
    public long recIn;
    public long frames;
    /** Position in what the piece shows; null on the record clock. */
    public Rational position;
    public String words;
    public String who;
}
