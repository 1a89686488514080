package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** Another name of a file, by a list of checksums. */
@Entity
@OutsideSteps("written once, with its list")
@DynamicUpdate
@Table(name = "media_listed")
public class MediaListedRow extends Row {
    public long mediaId;
    public String path;
}
