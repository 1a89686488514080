package freshsplice.server.rows;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.TestServer;
import freshsplice.server.WholeServer;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** What transactions see of others that commit between two of their questions, and which gaps they leave open. */
@ExtendWith(TestServer.class)
@WholeServer
class SnapshotTest {
    private final Store store = TestServer.bean(Store.class);
    private final Snapshot snapshot = TestServer.bean(Snapshot.class);
    private final TransactionTemplate writing = TestServer.bean(TransactionTemplate.class);
    private final JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
    private long first;
    private long second;

    @BeforeEach
    void twoProjects() {
        first = PlainRows.project("First");
        second = PlainRows.project("Second");
    }

    private String name(long id) {
        return jdbc.queryForObject("select name from project where id = ?", String.class, id);
    }

    /** Changes a name in a transaction of somebody else, and waits until it is committed. */
    private void rename(long id, String name) {
        CompletableFuture.runAsync(() -> writing.executeWithoutResult(status -> store.get(ProjectRow.class, id).name = name)).join();
    }

    @Test
    @DisplayName("who reads sees one moment, whatever is committed between two questions")
    void readers() {
        String seen = snapshot.read(() -> {
            String before = name(first);
            rename(first, "First, renamed");
            rename(second, "Second, renamed");
            return before + "; " + name(first) + "; " + name(second);
        });
        assertThat(seen).isEqualTo("First; First; Second");
        assertThat(name(first)).isEqualTo("First, renamed");
    }

    @Test
    @DisplayName("who writes sees what is committed now")
    void writers() {
        String seen = writing.execute(status -> {
            String before = name(first);
            rename(second, "Second, renamed");
            return before + "; " + name(second);
        });
        assertThat(seen).isEqualTo("First; Second, renamed");
    }

    @Test
    @DisplayName("who looked for rows to change and found none does not keep others from writing there")
    void gaps() {
        writing.executeWithoutResult(status -> {
            jdbc.update("update step set state = 'ASIDE' where project_id = ? and state = 'UNDONE'", second);
            // with the gap locked this would wait until the server gives up, and that is longer than the test
            CompletableFuture.runAsync(() -> writing.executeWithoutResult(other -> store.add(PlainRows.step(first, 1, "Tom", StepRow.State.DONE)))).orTimeout(10, TimeUnit.SECONDS).join();
        });
        assertThat(jdbc.queryForObject("select count(*) from step where project_id = ?", Long.class, first)).isOne();
    }
}
