package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A track of a master; place 0 is the lowest. */
@Entity
@DynamicUpdate
@Table(name = "master_track")
public class MasterTrackRow extends AliveRow {
    public long masterId;
    public int place;
    public String name;
    public boolean enabled;
    public boolean locked;
}
