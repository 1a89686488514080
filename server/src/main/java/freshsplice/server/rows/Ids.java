package freshsplice.server.rows;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Ids for rows that are written without Hibernate, from the one number line of all tables. */
@Component
public class Ids {
    private static final int BLOCK = 100;

    private final JdbcTemplate jdbc;
    private long first;
    private int taken = BLOCK;

    Ids(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** Ids by the hundred, as the sequence gives them. */
    public synchronized long next() {
        if (taken == BLOCK) {
            // the number drawn is the last of its hundred, as Hibernate's pooled counting has it
            first = jdbc.queryForObject("select nextval(ids)", Long.class) - BLOCK + 1;
            taken = 0;
        }
        return first + taken++;
    }
}
