package freshsplice.server.rows;

import freshsplice.core.render.OutputKind;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** Files that a render was written into. */
@Entity
@OutsideSteps("written once, with its render")
@DynamicUpdate
@Table(name = "render_output")
public class RenderOutputRow extends Row {
    public long renderId;
    @Enumerated(EnumType.STRING)
    public OutputKind kind;
    /** File name below the renders folder; the first of a run. */
    public String file;
    public String lastFile;
    public long files;
    public long bytes;
}
