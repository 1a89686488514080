package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** The reference picture of a shot; without media it is a named slate. */
@Entity
@DynamicUpdate
@Table(name = "board")
public class BoardRow extends AliveRow {
    public long shotId;
    public String sourceName;
    /** What its source is known by. */
    public String sourceKey;
    public Long mediaId;
    /** Source frame at which the source begins as far as its cut tells; null for boards of before it was kept. */
    public Long sourceBegins;
}
