package freshsplice.server.steps;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.TestServer;
import freshsplice.server.WholeServer;
import freshsplice.server.rows.PlainRows;
import freshsplice.server.rows.StepRow;
import freshsplice.server.rows.Store;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** What the journal changes of other steps than the one that is made or taken back. */
@ExtendWith(TestServer.class)
@WholeServer
class StepJournalTest {
    private final Store store = TestServer.bean(Store.class);
    private final StepJournal journal = TestServer.bean(StepJournal.class);
    private final TransactionTemplate writing = TestServer.bean(TransactionTemplate.class);
    private final JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
    private long first;
    private long next;

    @BeforeEach
    void twoProjects() {
        first = PlainRows.project("First");
        next = PlainRows.project("Next");
    }

    private long step(long project, int seq, String who, StepRow.State state) {
        return store.add(PlainRows.step(project, seq, who, state)).id;
    }

    private String state(long step) {
        return jdbc.queryForObject("select state from step where id = ?", String.class, step);
    }

    @Test
    @DisplayName("who goes on passes over what they undid and leaves what others undid; another project stays as it is")
    void leavesUndone() {
        long[] ids = new long[5];
        writing.executeWithoutResult(status -> {
            ids[0] = step(first, 1, "Ines", StepRow.State.DONE);
            ids[1] = step(first, 2, "Ines", StepRow.State.UNDONE);
            ids[2] = step(first, 3, "Tom", StepRow.State.UNDONE);
            ids[3] = step(first, 4, "Ines", StepRow.State.ASIDE);
            ids[4] = step(next, 1, "Ines", StepRow.State.UNDONE);
        });
        writing.executeWithoutResult(status -> journal.leaveUndone(first, "Ines"));
        assertThat(state(ids[0])).isEqualTo("DONE");
        assertThat(state(ids[1])).isEqualTo("PASSED");
        assertThat(state(ids[2])).isEqualTo("ASIDE");
        assertThat(state(ids[3])).isEqualTo("PASSED");
        assertThat(state(ids[4])).isEqualTo("UNDONE");
    }

    @Test
    @DisplayName("a push that is taken back is left out of what later steps noted")
    void pushTakenBack() {
        long[] push = new long[1];
        writing.executeWithoutResult(status -> {
            push[0] = step(first, 1, "Ines", StepRow.State.DONE);
            long later = step(first, 2, "Tom", StepRow.State.DONE);
            store.entities().flush();
            // of rows below zero, which nobody has: turning it moves them
            jdbc.update("insert into step_row (id, step_id, place, table_name, row_id, row_last, kind, pushed) values (?, ?, 0, 'clip', -9, -7, 'PUSH', 24)",
                    -push[0], push[0]);
            jdbc.update("insert into step_row (id, step_id, place, table_name, row_id, row_last, kind) values (?, ?, 0, 'clip', -8, -8, 'CHANGE')",
                    -later, later);
            jdbc.update("insert into step_value (id, step_row_id, column_name, old_value, new_value) values (?, ?, 'rec_in', '124', '130')", -later, -later);
        });
        writing.executeWithoutResult(status -> journal.turn(push[0], true, new TouchLog.Rows()));
        assertThat(jdbc.queryForList("select concat(old_value, ' ', new_value) from step_value v join step_row r on r.id = v.step_row_id "
                + "join step s on s.id = r.step_id where s.project_id = ?", String.class, first)).containsExactly("100 106");
    }
}
