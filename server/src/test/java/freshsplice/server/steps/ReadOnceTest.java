package freshsplice.server.steps;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.rows.ProjectRow;
import java.util.EnumSet;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionSynchronizationManager;

class ReadOnceTest {
    private final TouchLog touched = new TouchLog();
    private final ReadOnce<String, Integer> read = new ReadOnce<>(touched, EnumSet.of(Room.TRACKS), 1000, value -> 10);
    private final AtomicInteger readings = new AtomicInteger();

    @AfterEach
    void outside() {
        TransactionSynchronizationManager.setCurrentTransactionReadOnly(false);
    }

    private static ProjectRow project(long seq) {
        ProjectRow project = new ProjectRow();
        project.id = 5L;
        project.seq = seq;
        return project;
    }

    private void step(long seq, String table) {
        TouchLog.Rows rows = new TouchLog.Rows();
        rows.add(table, 1, 1);
        touched.by(5, seq, rows);
    }

    private int looked(long seq) {
        TransactionSynchronizationManager.setCurrentTransactionReadOnly(true);
        return read.of(project(seq), "key", readings::incrementAndGet);
    }

    @Test
    void itIsReadAgainOnceAStepTouchedWhatItIsReadFrom() {
        assertThat(looked(1)).isEqualTo(1);
        step(2, "camera_key");
        assertThat(looked(2)).as("a camera has no part in it").isEqualTo(1);
        step(3, "clip");
        assertThat(looked(3)).isEqualTo(2);
        assertThat(looked(3)).isEqualTo(2);
    }

    @Test
    void whoSeesWhatWasBeforeAStepReadsForThemselvesAndKeepsNothing() {
        assertThat(looked(1)).isEqualTo(1);
        step(2, "clip");
        assertThat(looked(1)).isEqualTo(2);
        assertThat(looked(1)).isEqualTo(3);
        assertThat(looked(2)).isEqualTo(4);
        assertThat(looked(2)).isEqualTo(4);
    }

    @Test
    void nothingIsKeptOfWhatATransactionThatWritesHasRead() {
        assertThat((int) read.of(project(1), "key", readings::incrementAndGet)).isEqualTo(1);
        assertThat((int) read.of(project(1), "key", readings::incrementAndGet)).isEqualTo(2);
        read.left(1, "key", 70);
        step(1, "clip");
        assertThat(looked(1)).as("what a step left is what is read after it").isEqualTo(70);
    }

    @Test
    void whatElseItDependsOnIsAskedByItsNumber() {
        TransactionSynchronizationManager.setCurrentTransactionReadOnly(true);
        assertThat((int) read.of(project(1), "key", 4, readings::incrementAndGet)).isEqualTo(1);
        assertThat((int) read.of(project(1), "key", 4, readings::incrementAndGet)).isEqualTo(1);
        assertThat((int) read.of(project(1), "key", 5, readings::incrementAndGet)).isEqualTo(2);
    }
}
