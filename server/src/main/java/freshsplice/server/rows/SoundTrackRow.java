package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** How a track of a master's sound is heard. */
@Entity
@DynamicUpdate
@Table(name = "sound_track")
public class SoundTrackRow extends AliveRow {
    public long masterId;
    public String name;
    public boolean muted;
    public boolean solo;
    /** In decibels. */
    public double level;
}
