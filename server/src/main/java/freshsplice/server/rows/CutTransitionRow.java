package freshsplice.server.rows;

import freshsplice.core.cut.Transition;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A transition of a cut. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_transition")
public class CutTransitionRow extends Row {
    public long trackId;
    @Enumerated(EnumType.STRING)
    public Transition.Kind kind;
    public long recIn;
    public long recOut;
    public long cutAt;
    public String wipe;
}
