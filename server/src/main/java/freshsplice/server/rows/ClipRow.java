package freshsplice.server.rows;

import freshsplice.core.master.Transition;
import freshsplice.core.time.Rational;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A clip of a master. */
@Entity
@DynamicUpdate
@Table(name = "clip")
public class ClipRow extends AliveRow {
    public long masterId;
    public long trackId;
    @Enumerated(EnumType.STRING)
    public Content content;
    public Long shotId;
    public Long nestedId;
    public Long renderId;
    /** What stands on a slate. */
    public String words;
    /** The generator of a cut that a slate is, as its list names it; null for one that was made here. */
    public String generator;
    /** What its list says of it beside that, and in which format. */
    public String keptFormat;
    public String kept;
    public long recIn;
    public long recOut;
    public Rational fromPosition;
    public Rational speed;
    public RetimeKeys retimeKeys;
    public boolean enabled;
    @Enumerated(EnumType.STRING)
    public Transition.Kind headKind;
    public long headBefore;
    public long headAfter;
    @Enumerated(EnumType.STRING)
    public Transition.Curve headCurve;
    @Enumerated(EnumType.STRING)
    public Transition.Kind tailKind;
    public long tailBefore;
    public long tailAfter;
    @Enumerated(EnumType.STRING)
    public Transition.Curve tailCurve;

    /** What it shows. */
    public enum Content { SHOT, MASTER, RENDER, BLACK, SLATE }
}
