package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** A part of what a render was made from. */
@Entity
@OutsideSteps("written once, with its render")
@DynamicUpdate
@Table(name = "render_part")
public class RenderPartRow extends Row {
    public long renderId;
    public String part;
    public String digest;
}
