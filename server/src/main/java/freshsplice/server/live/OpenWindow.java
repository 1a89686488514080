package freshsplice.server.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executor;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * What one window is still to be told, in order. Whoever tells it does not wait until the window has read it: one that reads
 * slowly, or not at all, holds nobody's edit. What comes quickly one after another is told together.
 */
final class OpenWindow {
    /** A window that is so far behind is let go: it opens its line again and asks for everything. */
    static final int MOST_WAITING = 1000;
    /** Pause after telling something, so that many edits of many people are told at once. */
    private static final long PAUSE_MS = 60;

    private final SseEmitter line;
    private final Executor senders;
    private final Runnable gone;
    private final Object lock = new Object();
    private List<String> waiting = new ArrayList<>();
    private boolean sending;
    private boolean closed;

    /** @param gone called once the window cannot be told any more */
    OpenWindow(SseEmitter line, Executor senders, Runnable gone) {
        this.line = line;
        this.senders = senders;
        this.gone = gone;
    }

    /** @param text what to tell, as JSON of one line */
    void tell(String text) {
        boolean begin;
        synchronized (lock) {
            if (closed) {
                return;
            }
            if (waiting.size() >= MOST_WAITING) {
                close();
                return;
            }
            waiting.add(text);
            begin = !sending;
            sending = true;
        }
        if (begin) {
            senders.execute(this::send);
        }
    }

    private void send() {
        try {
            for (List<String> next = next(); !next.isEmpty(); next = next()) {
                line.send(SseEmitter.event().name("told").data("[" + String.join(",", next) + "]", MediaType.TEXT_PLAIN));
                Thread.sleep(PAUSE_MS);
            }
        } catch (IOException | IllegalStateException e) {
            synchronized (lock) {
                close();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private List<String> next() {
        synchronized (lock) {
            List<String> next = waiting;
            waiting = new ArrayList<>();
            sending = !next.isEmpty();
            return next;
        }
    }

    private void close() {
        closed = true;
        waiting.clear();
        gone.run();
        // the line may be stuck in its own lock while it writes: ending it must not hold whoever tells
        senders.execute(line::complete);
    }
}
