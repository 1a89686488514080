package freshsplice.server.rows;

import freshsplice.core.cut.Track;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** The file that somebody chose for a source. */
@Entity
@DynamicUpdate
@Table(name = "source_choice")
public class SourceChoiceRow extends AliveRow {
    public long projectId;
    @Enumerated(EnumType.STRING)
    public Track.Kind kind;
    public String sourceKey;
    /** Null where none of the files is it. */
    public Long mediaId;
}
