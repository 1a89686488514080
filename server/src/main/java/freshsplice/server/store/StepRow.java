package freshsplice.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;

/** A named edit. */
@Entity
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
    
    /** Whether it holds, can be redone, or was passed over by a later edit. */
    public enum State { DONE, UNDONE, PASSED }
}
