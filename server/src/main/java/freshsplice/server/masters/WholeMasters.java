package freshsplice.server.masters;

import freshsplice.core.refusal.Refusal;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.StepCheck;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * A step that is taken back while later ones of others hold may bring a clip back where another lies by now, or take a
 * master away that others put clips into: then it cannot be taken back by itself.
 */
@Component
class WholeMasters implements StepCheck {
    private final Store store;
    private final MasterStore masters;
    private final JdbcTemplate jdbc;

    WholeMasters(Store store, MasterStore masters, JdbcTemplate jdbc) {
        this.store = store;
        this.masters = masters;
        this.jdbc = jdbc;
    }

    @Override
    public void afterTurn(long projectId, long stepId) {
        jdbc.queryForList("select m.name from step_row r join master m on m.id = r.row_id and m.alive is null join clip s on "
                        + "s.master_id = m.id and s.alive = 1 where r.step_id = ? and r.table_name = 'master' limit 1",
                String.class, stepId).forEach(name -> {
                    throw new Refusal("clips were put into \"" + name + "\" that would be lost with it");
                });
        List<Long> touched = jdbc.queryForList("select distinct s.master_id from step_row r join clip s on s.id "
                + "between r.row_id and r.row_last where r.step_id = ? and r.table_name = 'clip'", Long.class, stepId);
        for (long id : touched) {
            MasterRow row = store.entities().find(MasterRow.class, id);
            if (row != null && row.alive != null) {
                masters.fresh(row);
            }
        }
    }
}
