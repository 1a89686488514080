package freshsplice.server.live;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.LongSupplier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

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
    public record Here(String window, String who, long masterId, long frame, List<Long> pieces) {
    }

    private final Map<Long, List<SseEmitter>> windows = new ConcurrentHashMap<>();
    private final Map<Long, AtomicLong> told = new ConcurrentHashMap<>();

    /**
     * A new window, told at once where the project stands, so that it sees what it missed.
     *
     * @param seq asked for once the window hears of edits, so that none falls between
     */
    public SseEmitter open(long projectId, LongSupplier seq) {
        SseEmitter window = new SseEmitter(0L);
        List<SseEmitter> all = windows.computeIfAbsent(projectId, k -> new CopyOnWriteArrayList<>());
        all.add(window);
        window.onCompletion(() -> all.remove(window));
        window.onTimeout(() -> all.remove(window));
        window.onError(e -> all.remove(window));
        send(all, window, new Update("hello", seq.getAsLong(), "", ""));
        return window;
    }

    /** How often anything of a project was told since the start: what was read of it before the last time may be old. */
    public long told(long projectId) {
        AtomicLong times = told.get(projectId);
        return times == null ? 0 : times.get();
    }

    public void tell(long projectId, Update update) {
        told.computeIfAbsent(projectId, k -> new AtomicLong()).incrementAndGet();
        List<SseEmitter> all = windows.getOrDefault(projectId, List.of());
        all.forEach(window -> send(all, window, update));
    }

    /** Tells every window of a project where somebody is. */
    public void tell(long projectId, Here here) {
        List<SseEmitter> all = windows.getOrDefault(projectId, List.of());
        all.forEach(window -> send(all, window, "here", here));
    }

    /** Finds out which windows are gone. */
    @Scheduled(fixedDelay = 15_000)
    void keepAlive() {
        windows.values().forEach(all -> all.forEach(window -> send(all, window, new Update("alive", 0, "", ""))));
    }

    private static void send(List<SseEmitter> all, SseEmitter window, Update update) {
        send(all, window, "update", update);
    }

    private static void send(List<SseEmitter> all, SseEmitter window, String kind, Object what) {
        try {
            window.send(SseEmitter.event().name(kind).data(what));
        } catch (IOException | IllegalStateException e) {
            all.remove(window);
        }
    }
}
