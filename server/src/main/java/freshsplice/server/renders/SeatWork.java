package freshsplice.server.renders;

import freshsplice.core.words.Amounts;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The seats that draw, and what each of them does. */
@Component
public class SeatWork {
    /**
     * What a seat does.
     *
     * @param first of the frames that it has, counted from 0
     * @param done  of them since it has them
     */
    public record Doing(long renderId, String renderName, long first, int frames, AtomicInteger done) {
    }

    private static final Logger LOG = LoggerFactory.getLogger(SeatWork.class);
    private static final long FIRST_REST_S = 2;
    private static final long LONGEST_REST_S = 300;
    private static final long LOOK_EVERY_MS = 500;

    private final RenderTasks tasks;
    private final Map<Seat, String> drivers = new ConcurrentHashMap<>();
    private final Map<Seat, Doing> doing = new ConcurrentHashMap<>();
    private final Map<Seat, Rest> rests = new ConcurrentHashMap<>();
    private volatile String cannot;

    /**
     * How a seat fares that failed last.
     *
     * @param failures in a row
     * @param until    when it draws again
     * @param why      it failed
     * @param resting  whether it takes nothing; its failures count until it draws what it is given
     */
    private record Rest(int failures, Instant until, String why, boolean resting) {
        Rest woken() {
            return new Rest(failures, until, why, false);
        }

        boolean isOver() {
            return !Instant.now().isBefore(until);
        }
    }

    SeatWork(RenderTasks tasks) {
        this.tasks = tasks;
    }

    /** Lets a seat draw from now on; one that has nothing to draw with is left out, which is told. */
    public void open(Seat seat) {
        try {
            drivers.put(seat, seat.driver());
            tasks.open(seat);
        } catch (IOException | RuntimeException e) {
            LOG.warn("{} cannot draw: {}", seat.name(), e.getMessage());
            drivers.remove(seat);
            cannot = e.getMessage();
        }
    }

    /**
     * Lets a seat rest that failed: twice as long each time, where others draw meanwhile, so that a bad machine takes no more than its share.
     *
     * @return for how many seconds
     */
    long rest(Seat seat, String why) {
        int failures = rests.containsKey(seat) ? rests.get(seat).failures() + 1 : 1;
        long seconds = drivers.size() > 1 ? Math.min(LONGEST_REST_S, FIRST_REST_S << Math.min(failures - 1, 20)) : FIRST_REST_S;
        rests.put(seat, new Rest(failures, Instant.now().plusSeconds(seconds), why == null ? "it failed" : why, true));
        tasks.rest(seat);
        return seconds;
    }

    /** A seat that drew what it was given is as good as any. */
    void drew(Seat seat) {
        rests.remove(seat);
    }

    @Scheduled(fixedDelay = LOOK_EVERY_MS)
    void wake() {
        rests.forEach((seat, rest) -> {
            if (rest.resting() && rest.isOver() && rests.replace(seat, rest, rest.woken())) {
                tasks.wake(seat);
            }
        });
    }

    /** Why a seat rests; null where it does not. */
    public String rests(Seat seat) {
        Rest rest = rests.get(seat);
        return rest == null || rest.isOver() ? null : "rests " + Duration.between(Instant.now(), rest.until()).toSeconds() + " s after "
                + Amounts.of(rest.failures(), "failure", "failures") + ", the last: " + rest.why();
    }

    /** Ends a seat's work; what it had is put back. */
    public void close(Seat seat) {
        rests.remove(seat);
        drivers.remove(seat);
        tasks.close(seat);
        doing.remove(seat);
    }

    boolean draw(Seat seat, Seat.Chunk chunk, Seat.Watch watch) throws IOException {
        Doing now = new Doing(chunk.renderId(), chunk.renderName(), chunk.first(), chunk.frames(), new AtomicInteger());
        doing.put(seat, now);
        try {
            return seat.draw(chunk, new Seat.Watch() {
                @Override
                public boolean goesOn() {
                    return watch.goesOn();
                }

                @Override
                public void drawn() {
                    now.done().incrementAndGet();
                    watch.drawn();
                }
            });
        } finally {
            doing.remove(seat);
        }
    }

    public Set<String> drivers() {
        return Set.copyOf(drivers.values());
    }

    /** The open seats, by their names. */
    public List<Seat> seats() {
        return drivers.keySet().stream().sorted(Comparator.comparing(Seat::name)).collect(Collectors.toCollection(ArrayList::new));
    }

    /** What a seat does; null where it waits. */
    public Doing doing(Seat seat) {
        return doing.get(seat);
    }

    /** Why this machine cannot draw; null where it can, or was not asked to yet. */
    public String cannot() {
        return cannot;
    }
}
