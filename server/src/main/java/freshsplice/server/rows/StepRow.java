package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** A named edit. */
@Entity
@OutsideSteps("it is what undoes")
@DynamicUpdate
@Table(name = "step")
public class StepRow extends Row {
    public long projectId;
    public long seq;
    public String name;
    public String who;
    public Instant madeAt;
    @Enumerated(EnumType.STRING)
    public State state;

    /**
     * Whether it holds, can be done again, or was passed over by a later edit. Aside is one that was undone while later steps
     * of others hold: who made it can do it again, going through the history leaves it.
     */
    public enum State { DONE, UNDONE, ASIDE, PASSED }
}
