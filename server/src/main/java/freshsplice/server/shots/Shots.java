package freshsplice.server.shots;

import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import org.springframework.stereotype.Component;

/** Shots by id, read when they are asked for. */
@Component
public class Shots {
    private final Store store;

    Shots(Store store) {
        this.store = store;
    }

    /** @return null if there is none, or it was taken away */
    public ShotRow find(Long id) {
        ShotRow row = id == null || id == 0 ? null : store.entities().find(ShotRow.class, id);
        return row == null || row.alive == null ? null : row;
    }
}
