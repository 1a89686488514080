package freshsplice.server.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

class OpenWindowTest {
    private final ExecutorService senders = Executors.newCachedThreadPool();
    private final CountDownLatch reads = new CountDownLatch(1);
    private final CountDownLatch gone = new CountDownLatch(1);
    private final List<String> sent = new CopyOnWriteArrayList<>();

    @AfterEach
    void letGo() {
        reads.countDown();
        senders.shutdownNow();
    }

    /** A line whose window reads nothing until it is told to. */
    private final SseEmitter line = new SseEmitter(0L) {
        @Override
        public void send(SseEventBuilder event) throws IOException {
            try {
                reads.await();
            } catch (InterruptedException e) {
                throw new IOException(e);
            }
            sent.add(event.build().stream().map(part -> part.getData().toString()).collect(Collectors.joining()));
        }
    };

    private final OpenWindow window = new OpenWindow(line, senders, gone::countDown);

    private String all() {
        return String.join("", sent);
    }

    private void await(String text) throws InterruptedException {
        for (int i = 0; i < 2000 && !all().contains(text); i++) {
            Thread.sleep(10);
        }
        assertThat(all()).contains(text);
    }

    @Test
    void whoTellsDoesNotWaitForAWindowThatReadsNothingAndItHearsAllInOrderLater() throws InterruptedException {
        IntStream.range(0, 100).forEach(i -> window.tell("{\"n\":" + i + "}"));
        assertThat(sent).isEmpty();
        reads.countDown();
        await("{\"n\":99}]");
        List<Integer> told = Pattern.compile("\"n\":(\\d+)").matcher(all()).results().map(m -> Integer.valueOf(m.group(1))).toList();
        assertThat(told).isEqualTo(IntStream.range(0, 100).boxed().toList());
        assertThat(sent).as("what came quickly one after another is told together").hasSizeLessThan(5);
    }

    @Test
    void aWindowThatIsFarBehindIsLetGo() throws InterruptedException {
        IntStream.range(0, 2 * OpenWindow.MOST_WAITING + 2).forEach(i -> window.tell("{}"));
        assertThat(gone.await(30, TimeUnit.SECONDS)).isTrue();
        window.tell("{\"after\":1}");
        reads.countDown();
        Thread.sleep(50);
        assertThat(all()).doesNotContain("after");
    }

    @Test
    void whatIsToldAtOnceWaitsForNoPauseAndTakesWhatWaitsWithIt() throws InterruptedException {
        reads.countDown();
        for (int round = 0; round < 5; round++) {
            String n = "\"n\":" + round;
            window.tell("{" + n + ",\"first\":1}");
            await(n + ",\"first\"");
            window.tell("{" + n + ",\"waits\":1}");
            window.tellAtOnce("{" + n + ",\"now\":1}");
            await(n + ",\"now\":1}]");
        }
        assertThat(sent).as("one for the first, one for both that follow").hasSize(10);
    }

    @Test
    void aWindowThatLongChangesWaitForIsLetGo() throws InterruptedException {
        String change = "x".repeat(OpenWindow.MOST_LETTERS / 4);
        IntStream.range(0, 8).forEach(i -> window.tell(change));
        assertThat(gone.await(30, TimeUnit.SECONDS)).isTrue();
    }
}
