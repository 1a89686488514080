package freshsplice.server.live;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.LongSupplier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/** Open windows by project. A window that cannot be told is forgotten; it asks again by itself. */
@Component
public class LiveUpdates {
    /**
     * What is told.
     *
     * @param kind edit: the project stands at {@code seq} now; render: a render went on; media: pictures came; task: work in the background went on; failed: work in the background ended early, {@code name} says why
     * @param seq  the project's number of edits
     * @param name what was done, in words
     * @param who  by whom
     * @param touched rooms of the project that an edit touched, in capitals; empty for all else
     */
    public record Update(String kind, long seq, String name, String who, List<String> touched) {
        public Update(String kind, long seq, String name, String who) {
            this(kind, seq, name, who, List.of());
        }
    }

    /**
     * Where somebody is.
     *
     * @param window   which window of theirs
     * @param masterId the open master
     * @param frame    its playhead
     * @param pieces   the chosen pieces
     */
    public record Whereabouts(String window, String who, long masterId, long frame, List<Long> pieces) {
    }

    private final Map<Long, List<OpenWindow>> windows = new ConcurrentHashMap<>();
    private final Map<Long, AtomicLong> told = new ConcurrentHashMap<>();

    private final JsonMapper json;
    private final ExecutorService senders = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "live");
        thread.setDaemon(true);
        return thread;
    });

    public LiveUpdates(JsonMapper json) {
        this.json = json;
    }

    /**
     * A new window, told at once where the project stands, so that it sees what it missed.
     *
     * @param seq asked for once the window hears of edits, so that none falls between
     */
    public SseEmitter open(long projectId, LongSupplier seq) {
        SseEmitter line = new SseEmitter(0L);
        List<OpenWindow> all = windows.computeIfAbsent(projectId, k -> new CopyOnWriteArrayList<>());
        AtomicReference<OpenWindow> self = new AtomicReference<>();
        Runnable gone = () -> all.remove(self.get());
        OpenWindow window = new OpenWindow(line, senders, gone);
        self.set(window);
        all.add(window);
        line.onCompletion(gone);
        line.onTimeout(gone);
        line.onError(e -> gone.run());
        window.tell(text("update", new Update("hello", seq.getAsLong(), "", "")));
        return line;
    }

    /**
     * How often anything but an edit was told of a project since the start: what was read of it before the last time may be old.
     * Edits have numbers.
     */
    public long told(long projectId) {
        AtomicLong times = told.get(projectId);
        return times == null ? 0 : times.get();
    }

    public void tell(long projectId, Update update) {
        if (!update.kind().equals("edit")) {
            told.computeIfAbsent(projectId, k -> new AtomicLong()).incrementAndGet();
        }
        tellAll(projectId, text("update", update));
    }

    /** Tells every window of a project where somebody is. */
    public void tell(long projectId, Whereabouts here) {
        tellAll(projectId, text("here", here));
    }

    private void tellAll(long projectId, String text) {
        windows.getOrDefault(projectId, List.of()).forEach(window -> window.tell(text));
    }

    /** Finds out which windows are gone. */
    @Scheduled(fixedDelay = 15_000)
    void keepAlive() {
        windows.keySet().forEach(projectId -> tellAll(projectId, text("update", new Update("alive", 0, "", ""))));
    }

    /** Written once for all windows. */
    private String text(String kind, Object what) {
        return json.writeValueAsString(Map.of(kind, what));
    }
}
