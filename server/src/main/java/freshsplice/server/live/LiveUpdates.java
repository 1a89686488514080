package freshsplice.server.live;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
     * @param clips   the chosen clips
     */
    public record Whereabouts(String window, String who, long masterId, long frame, List<Long> clips) {
    }

    /** @param masterId the open master; null where none is */
    private record Line(Long masterId, OpenWindow window) {
    }

    private final Map<Long, List<Line>> windows = new ConcurrentHashMap<>();
    private final Map<Long, AtomicLong> told = new ConcurrentHashMap<>();
    private final List<BiConsumer<Long, Set<Long>>> afterEdits = new CopyOnWriteArrayList<>();

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
     * @param masterId the master that it shows; null for none
     * @param seq asked for once the window hears of edits, so that none falls between
     */
    public SseEmitter open(long projectId, Long masterId, LongSupplier seq) {
        SseEmitter line = new SseEmitter(0L);
        List<Line> all = windows.computeIfAbsent(projectId, k -> new CopyOnWriteArrayList<>());
        AtomicReference<Line> self = new AtomicReference<>();
        Runnable gone = () -> all.remove(self.get());
        OpenWindow window = new OpenWindow(line, senders, gone);
        self.set(new Line(masterId, window));
        all.add(self.get());
        line.onCompletion(gone);
        line.onTimeout(gone);
        line.onError(e -> gone.run());
        window.tellAtOnce(text("update", new Update("hello", seq.getAsLong(), "", "")));
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
        String text = text("update", update);
        // an edit's own change of a master comes right after it and takes the word along; who shows none waits for nothing
        ofProject(projectId).forEach(line -> {
            if (line.masterId() == null) {
                line.window().tellAtOnce(text);
            } else {
                line.window().tell(text);
            }
        });
        if (update.kind().equals("edit")) {
            Set<Long> shown = ofProject(projectId).map(Line::masterId).filter(Objects::nonNull).collect(Collectors.toSet());
            afterEdits.forEach(work -> work.accept(projectId, shown));
        }
    }

    /** @param work done after windows were told of an edit, by who made it: gets the project and the masters that windows show */
    public void afterEdits(BiConsumer<Long, Set<Long>> work) {
        afterEdits.add(work);
    }

    /**
     * Tells every window that shows a master something of it.
     *
     * @param kind as the window knows it
     * @param json what to tell, already written
     */
    public void tellOf(long projectId, long masterId, String kind, String json) {
        String text = "{\"" + kind + "\":" + json + "}";
        ofProject(projectId).filter(line -> Objects.equals(line.masterId(), masterId)).forEach(line -> line.window().tellAtOnce(text));
    }

    /** Tells every window of a project where somebody is. */
    public void tell(long projectId, Whereabouts here) {
        tellAll(projectId, text("here", here));
    }

    private void tellAll(long projectId, String text) {
        ofProject(projectId).forEach(line -> line.window().tell(text));
    }

    private Stream<Line> ofProject(long projectId) {
        return windows.getOrDefault(projectId, List.of()).stream();
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
