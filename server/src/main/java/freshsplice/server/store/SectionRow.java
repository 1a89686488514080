package freshsplice.server.store;

import freshsplice.core.master.Section.Passage;
import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;

/** A piece of a master. */
@Entity
@Table(name = "section")
public class SectionRow extends AliveRow {
    public long masterId;
    public long shotId;
    public long recIn;
    public long recOut;
    public Rational fromPosition;
    public Rational speed;
    public boolean enabled;
    @Enumerated(EnumType.STRING)
    public Passage.Kind headKind;
    public long headBefore;
    public long headAfter;
    @Enumerated(EnumType.STRING)
    public Passage.Kind tailKind;
    public long tailBefore;
    public long tailAfter;
}
