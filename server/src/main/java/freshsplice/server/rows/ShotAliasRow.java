package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A number that a shot had; it is never given to another. */
@Entity
@DynamicUpdate
@Table(name = "shot_alias")
public class ShotAliasRow extends AliveRow {
    public long projectId;
    public long shotId;
    public String code;
}
