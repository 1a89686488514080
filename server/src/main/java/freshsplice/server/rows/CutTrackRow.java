package freshsplice.server.rows;

import freshsplice.core.cut.Track;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A track of a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_track")
public class CutTrackRow extends Row {
    public long cutId;
    public int place;
    @Enumerated(EnumType.STRING)
    public Track.Kind kind;
    public String name;
    public boolean enabled;
    /** The nested cut that it belongs to; null for the cut itself. */
    public Long nestedId;
}
