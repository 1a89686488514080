package freshsplice.server.steps;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Rows moved along the record clock by the same number of frames: many at once, as an edit near the head does. */
@Component
public class Pushes {
    /** Rows of one table whose ids follow each other without a gap, so that no other row can be among them. */
    record Run(long first, long last) {
    }

    private final JdbcTemplate jdbc;

    Pushes(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    static List<Run> runs(Collection<Long> ids) {
        List<Run> runs = new ArrayList<>();
        for (long id : ids.stream().sorted().toList()) {
            Run last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            if (last != null && id == last.last() + 1) {
                runs.set(runs.size() - 1, new Run(last.first(), id));
            } else {
                runs.add(new Run(id, id));
            }
        }
        return runs;
    }

    /** @param table one with a place on the record clock; @param frames later (+) or earlier (−) */
    public void push(String table, Collection<Long> ids, long frames) {
        pushRuns(table, runs(ids), frames);
    }

    void pushRuns(String table, List<Run> runs, long frames) {
        jdbc.batchUpdate("update " + table + " set rec_in = rec_in + ?, rec_out = rec_out + ? where id between ? and ?",
                runs.stream().map(r -> new Object[] {frames, frames, r.first(), r.last()}).toList());
    }
}
