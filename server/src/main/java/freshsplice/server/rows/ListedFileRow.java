package freshsplice.server.rows;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;

/** What a list of checksums says of a file. */
@Entity
@OutsideSteps("written once, with its list")
@DynamicUpdate
@Table(name = "listed_file")
public class ListedFileRow extends Row {
    public long projectId;
    public String path;
    public long bytes;
    public String method;
    public String digest;
}
