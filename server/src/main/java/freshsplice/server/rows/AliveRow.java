package freshsplice.server.rows;

import jakarta.persistence.MappedSuperclass;

/** A row that an edit can take away and an undo bring back: it stays in its table, alive or not. */
@MappedSuperclass
public abstract class AliveRow extends Row implements Undoable {
    /** True, or null for what was taken away, so that unique keys count living rows only. */
    public Boolean alive = true;
}
