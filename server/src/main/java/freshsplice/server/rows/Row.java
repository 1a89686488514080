package freshsplice.server.rows;

import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;

/** A row of any table. Ids come from one number line, so an id names a row wherever it is. */
@MappedSuperclass
public abstract class Row {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "ids")
    @SequenceGenerator(name = "ids", sequenceName = "ids", allocationSize = 100)
    public Long id;

    /** How often it was written: who read it before somebody else wrote it is refused instead of writing over that. */
    @Version
    @OutsideSteps("it counts writings, those that undo too")
    public long rowVersion;
}
