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
    /** So many letters may wait with it: lists that changed much are long. */
    static final int MOST_LETTERS = 8_000_000;
    /** What comes within this time is told together: many edits of many people, and an edit with what it changed. */
    private static final long PAUSE_MS = 100;

    private final SseEmitter line;
    private final Executor senders;
    private final Runnable gone;
    private final Object lock = new Object();
    private List<String> waiting = new ArrayList<>();
    private int letters;
    private boolean sending;
    private boolean atOnce;
    private boolean closed;

    /** @param gone called once the window cannot be told any more */
    OpenWindow(SseEmitter line, Executor senders, Runnable gone) {
        this.line = line;
        this.senders = senders;
        this.gone = gone;
    }

    /** @param text what to tell soon, as JSON of one line */
    void tell(String text) {
        tell(text, false);
    }

    /** As {@link #tell(String)}, and with it all that waits, without a pause. */
    void tellAtOnce(String text) {
        tell(text, true);
    }

    private void tell(String text, boolean now) {
        boolean begin;
        synchronized (lock) {
            if (closed) {
                return;
            }
            if (waiting.size() >= MOST_WAITING || letters > MOST_LETTERS) {
                close();
                return;
            }
            waiting.add(text);
            letters += text.length();
            begin = !sending;
            sending = true;
            if (now) {
                atOnce = true;
                lock.notifyAll();
            }
        }
        if (begin) {
            senders.execute(this::send);
        }
    }

    private void send() {
        try {
            pause();
            for (List<String> next = next(); !next.isEmpty(); next = next()) {
                line.send(SseEmitter.event().name("told").data("[" + String.join(",", next) + "]", MediaType.TEXT_PLAIN));
                pause();
            }
        } catch (IOException | IllegalStateException e) {
            synchronized (lock) {
                close();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void pause() throws InterruptedException {
        long until = System.nanoTime() + PAUSE_MS * 1_000_000;
        synchronized (lock) {
            for (long left = PAUSE_MS; left > 0 && !atOnce; left = (until - System.nanoTime()) / 1_000_000) {
                lock.wait(left);
            }
        }
    }

    private List<String> next() {
        synchronized (lock) {
            List<String> next = waiting;
            waiting = new ArrayList<>();
            letters = 0;
            atOnce = false;
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
