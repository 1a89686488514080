package freshsplice.server.tasks;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.server.live.LiveUpdates;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class TasksTest {
    private final List<LiveUpdates.Update> told = new CopyOnWriteArrayList<>();
    private final Tasks tasks = new Tasks(new LiveUpdates(JsonMapper.builder().build()) {
        @Override
        public void tell(long projectId, Update update) {
            told.add(update);
        }
    });

    @AfterEach
    void end() {
        tasks.end();
    }

    @Test
    void aTaskThatFailsIsToldToTheWindows() throws InterruptedException {
        CountDownLatch ended = new CountDownLatch(1);
        tasks.start(1, "Counting sheep", task -> {
            throw new IllegalStateException("one of them is missing");
        }, ended::countDown);
        assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
        assertThat(told).anyMatch(u -> u.kind().equals("failed") && u.name().contains("Counting sheep")
                && u.name().contains("one of them is missing"));
    }

    @Test
    void aTaskThatIsStoppedWhileItWaitsEndsToo() throws InterruptedException {
        CountDownLatch hold = new CountDownLatch(1);
        for (int i = 0; i < 2; i++) {
            tasks.start(1, "Holding", task -> await(hold));
        }
        CountDownLatch ended = new CountDownLatch(1);
        boolean[] worked = {false};
        tasks.start(1, "Waiting", task -> worked[0] = true, ended::countDown);
        tasks.stop(tasks.of(1).stream().filter(t -> t.name().equals("Waiting")).findFirst().orElseThrow().id());
        hold.countDown();
        assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
        assertThat(worked[0]).isFalse();
        assertThat(told).noneMatch(u -> u.kind().equals("failed"));
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
