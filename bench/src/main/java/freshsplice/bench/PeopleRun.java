package freshsplice.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Many people in one long master at once, each with a window that is told of all edits and what they changed, and each keying a camera
 * of their own once a second.
 */
final class PeopleRun {
    private static final int SECONDS = 20;
    /** What comes while everybody opens their window is not counted. */
    private static final int SETTLING_SECONDS = 20;
    private static final Pattern EDIT = Pattern.compile("\"seq\":(\\d+)[^{}]*\"who\":\"(p\\d+)\"");

    private static final Pattern CHANGE = Pattern.compile("\"change\":\\{\"whole\":\\{\"id\":\\d+,\"stamp\":\"([^\"]+)\",\"projectId\":\\d+,"
            + "\"seq\":(\\d+).*?\"since\":\"([^\"]+)\"");

    /** When somebody's key was pressed, by who; nanoseconds. */
    private final Map<String, Long> pressed = new ConcurrentHashMap<>();
    private final Queue<Double> keys = new ConcurrentLinkedQueue<>();
    private final Queue<Double> seen = new ConcurrentLinkedQueue<>();
    private final AtomicLong asked = new AtomicLong();
    private final LongMaster master;
    private volatile boolean counting;
    private volatile boolean over;

    private PeopleRun(LongMaster master) {
        this.master = master;
    }

    /**
     * @param address of a server that was started, as it printed it; gets a project of its own
     * @param people  how many
     */
    static void run(String address, int people) throws Exception {
        new PeopleRun(LongMaster.make(new RunningServer(address), LongMaster.SHOTS)).measure(people);
    }

    private void measure(int people) throws Exception {
        List<String> shots = master.ofClips("shotId");
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < people; i++) {
            String who = "p" + i;
            String shot = shots.get(i * shots.size() / people);
            Window window = new Window();
            threads.add(thread(() -> master.server().listen(master.project() + "/live?master=" + master.id(), window::told)));
            int after = i * 1000 / people;
            threads.add(thread(() -> press(who, shot, after)));
        }
        Thread.sleep(SETTLING_SECONDS * 1000L);
        counting = true;
        Thread.sleep(SECONDS * 1000L);
        over = true;
        threads.forEach(Thread::interrupt);
        Times.of(keys.stream().mapToDouble(d -> d).toArray()).printTail(people + " people, each a key a second: " + keys.size() + " keys");
        Times.of(seen.stream().mapToDouble(d -> d).toArray()).printTail("from the key until others see it, " + seen.size() + " times");
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "times that a window had to ask", asked.get());
    }

    private Thread thread(Times.Work work) {
        Thread thread = new Thread(() -> {
            try {
                work.run();
            } catch (Exception e) {
                if (!over) {
                    throw new IllegalStateException(e);
                }
            }
        });
        thread.setDaemon(true);
        thread.start();
        return thread;
    }

    private void press(String who, String shot, int afterMs) throws Exception {
        Thread.sleep(afterMs);
        for (int i = 0; !over; i++) {
            long begun = System.nanoTime();
            pressed.put(who, begun);
            master.server().post("/api/shots/" + shot + "/camera/edits", "{\"kind\":\"SET\",\"frame\":" + (1001 + i % LongMaster.FRAMES)
                    + ",\"values\":{\"pan\":" + i + "},\"easing\":\"EASED\"}", who);
            double ms = (System.nanoTime() - begun) / 1e6;
            // what can be undone now, as a window asks after edits of its own
            master.server().get("/api/projects/" + master.project());
            if (counting) {
                keys.add(ms);
            }
            Thread.sleep((long) Math.max(0, 1000 - ms));
        }
    }

    /** A window takes each change that begins at the view that it has, and asks where one begins at another, as the window does. */
    private final class Window {
        private final Map<Long, Long> waiting = new ConcurrentHashMap<>();
        private String stamp;
        private long has;

        void told(String line) {
            Matcher edit = EDIT.matcher(line);
            while (edit.find()) {
                waiting.put(Long.valueOf(edit.group(1)), pressed.getOrDefault(edit.group(2), System.nanoTime()));
            }
            Matcher change = CHANGE.matcher(line);
            while (change.find()) {
                long to = Long.parseLong(change.group(2));
                if (change.group(3).equals(stamp)) {
                    stamp = change.group(1);
                    has = to;
                    seen(to);
                } else if (!change.group(1).equals(stamp) && to >= has) {
                    ask();
                }
            }
            if (line.contains("{\"ask\":")) {
                ask();
            }
        }

        private void ask() {
            try {
                String changes = master.changes(stamp);
                stamp = LongMaster.stamp(changes);
                asked.incrementAndGet();
                has = Long.parseLong(RunningServer.number("seq", changes));
                seen(has);
            } catch (IOException | InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }

        private void seen(long seq) {
            long now = System.nanoTime();
            waiting.entrySet().removeIf(edit -> edit.getKey() <= seq && count(now - edit.getValue()));
        }

        private boolean count(long nanoseconds) {
            if (counting) {
                seen.add(nanoseconds / 1e6);
            }
            return true;
        }
    }
}
