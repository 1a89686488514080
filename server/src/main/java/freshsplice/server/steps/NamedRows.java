package freshsplice.server.steps;

import freshsplice.core.refusal.Refusal;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * What others did may hang on what a step made: a camera that somebody films with, a thing that a camera is mounted on. Such a step
 * cannot be taken back by itself, nor one be done again whose rows name what is gone by now. Which row names which is told by the
 * database's own references.
 */
@Component
class NamedRows implements StepCheck {
    /** A column of a table that names a row of another; rows of both live and are taken away. */
    private record Reference(String table, String column, String named) {
    }

    private final JdbcTemplate jdbc;
    private volatile List<Reference> references;

    NamedRows(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    private List<Reference> references() {
        if (references == null) {
            String lives = "(select table_name from information_schema.columns where table_schema = database() and column_name = 'alive')";
            references = jdbc.query("select table_name, column_name, referenced_table_name from information_schema.key_column_usage where "
                            + "table_schema = database() and referenced_table_name in " + lives + " and table_name in " + lives,
                    (row, n) -> new Reference(row.getString(1), row.getString(2), row.getString(3)));
        }
        return references;
    }

    @Override
    public void afterTurn(long projectId, long stepId) {
        Set<String> touched = Set.copyOf(jdbc.queryForList("select distinct table_name from step_row where step_id = ? and kind <> 'PUSH'",
                String.class, stepId));
        for (Reference reference : references()) {
            if (touched.contains(reference.named())) {
                refuseWhatHangs(projectId, reference, broken(stepId, reference, "named", reference.named()));
            }
            if (touched.contains(reference.table())) {
                refuseWhatHangs(projectId, reference, broken(stepId, reference, "r", reference.table()));
            }
        }
    }

    /** Living rows that name one that is gone, where the step touched either. @param touched which of the two, as the question calls it */
    private List<Long> broken(long stepId, Reference reference, String touched, String table) {
        return jdbc.queryForList("select r.id from step_row s join `" + reference.table() + "` r join `" + reference.named()
                + "` named on named.id = r.`" + reference.column() + "` where s.step_id = ? and s.table_name = ? and " + touched
                + ".id between s.row_id and s.row_last and r.alive = 1 and named.alive is null limit 1", Long.class, stepId, table);
    }

    private void refuseWhatHangs(long projectId, Reference reference, List<Long> rows) {
        for (long row : rows) {
            throw new Refusal(jdbc.query("select s.name, s.who from step s join step_row r on r.step_id = s.id where s.project_id = ? and "
                            + "s.state = 'DONE' and r.table_name = ? and ? between r.row_id and r.row_last order by s.seq desc limit 1",
                    (r, n) -> "\"" + r.getString(1) + "\" of " + r.getString(2) + " hangs on it", projectId, reference.table(), row)
                    .stream().findFirst().orElse("what others made hangs on it"));
        }
    }
}
