package freshsplice.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A number that a shot had; it is never given to another. */
@Entity
@Table(name = "shot_alias")
public class ShotAliasRow extends AliveRow {
    public long projectId;
    public long shotId;
    public String code;
}
