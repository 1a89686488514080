package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** One of the sequences in a file. */
@Entity
@OutsideSteps("written once, with its cut")
@DynamicUpdate
@Table(name = "cut_choice")
public class CutChoiceRow extends Row {
    public long cutId;
    public int place;
    public String name;
    public long frames;
    public int events;
}
