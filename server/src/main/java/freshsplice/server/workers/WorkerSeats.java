package freshsplice.server.workers;

import freshsplice.core.refusal.Refusal;
import freshsplice.render.DrawingVersion;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.Seat;
import freshsplice.server.renders.SeatLost;
import freshsplice.server.renders.SeatWork;
import freshsplice.server.settings.Folders;
import freshsplice.server.settings.Settings;
import freshsplice.worker.Wire;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The machines that draw for this one just now. Who is not heard of for a while loses its seat; what it had is drawn by others. */
@Component
public class WorkerSeats implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(WorkerSeats.class);
    private static final int LONGEST_NAME = 40;
    private static final int LONGEST_DRIVER = 300;
    private static final int MOST = 500;
    private static final long LOOK_EVERY_MS = 1000;

    private final SeatWork work;
    private final KeptFrames kept;
    private final Folders folders;
    private final Settings settings;
    private final Map<String, WorkerSeat> seats = new ConcurrentHashMap<>();
    /** Ends what seats do beside whoever finds that they are to end, which can take a moment each. */
    private final ExecutorService closer = Executors.newCachedThreadPool(run -> {
        Thread thread = new Thread(run, "seats that end");
        thread.setDaemon(true);
        return thread;
    });
    private String probe;

    WorkerSeats(SeatWork work, KeptFrames kept, Folders folders, Settings settings) {
        this.work = work;
        this.kept = kept;
        this.folders = folders;
        this.settings = settings;
    }

    /** Gives a machine a seat. @throws Refusal if it draws otherwise than this program, or says what cannot be */
    public Wire.Welcome take(long keyId, Wire.Hello hello, String address) throws IOException {
        if (!DrawingVersion.now().equals(hello.version())) {
            throw new Refusal("This machine has another version of Fresh Splice than the server: give both the same");
        }
        if (hello.driver() == null || hello.driver().isBlank() || hello.driver().length() > LONGEST_DRIVER || seats.size() >= MOST) {
            throw new Refusal(seats.size() >= MOST ? "There are " + MOST + " machines already" : "This machine does not say what it draws with");
        }
        WorkerSeat seat;
        synchronized (this) {
            seat = new WorkerSeat(keyId, free(hello.name()), hello.driver(), address, kept);
            seats.put(seat.id(), seat);
        }
        work.open(seat);
        LOG.info("{} draws for this server from {}", seat.name(), address);
        return new Wire.Welcome(seat.id(), seat.name(), settings.workersShared(), settings.workersShared().isEmpty() ? "" : probe());
    }

    /** A name that no other open seat has. */
    private String free(String wanted) {
        String plain = wanted == null ? "" : wanted.replaceAll("\\p{Cntrl}", "").strip();
        String called = plain.isEmpty() || plain.equals(Seat.OWN) ? "a machine" : plain.substring(0, Math.min(LONGEST_NAME, plain.length()));
        String free = called;
        for (int i = 2; isTaken(free); i++) {
            free = called + " " + i;
        }
        return free;
    }

    private boolean isTaken(String name) {
        return seats.values().stream().anyMatch(s -> s.name().equals(name));
    }

    private synchronized String probe() throws IOException {
        if (probe == null) {
            probe = UUID.randomUUID().toString();
            Files.writeString(folders.frames().resolve(Wire.PROBE), probe);
        }
        return probe;
    }

    /** @throws TurnOver if there is no such seat of that key any more */
    public WorkerSeat seat(long keyId, String id) {
        WorkerSeat seat = seats.get(id);
        if (seat == null || seat.keyId() != keyId) {
            throw new TurnOver("This machine was taken for gone: it begins anew");
        }
        return seat;
    }

    /** A machine says that it leaves: what it has is put back at once. */
    public void leave(WorkerSeat seat) {
        end(seat, new SeatLost(seat.name() + " left", false));
    }

    /** Ends the seats of a key that is let in no more. */
    public void revoke(long keyId) {
        seats.values().stream().filter(s -> s.keyId() == keyId).forEach(s -> end(s, new SeatLost("the key of " + s.name() + " was revoked", false)));
    }

    @Scheduled(fixedDelay = LOOK_EVERY_MS)
    void look() {
        seats.values().stream().filter(s -> s.silence() > Wire.LOST_AFTER_SECONDS).forEach(s ->
                end(s, new SeatLost("nothing is heard of " + s.name() + " any more", true)));
    }

    private void end(WorkerSeat seat, SeatLost why) {
        if (seats.remove(seat.id()) != null) {
            LOG.info("{} draws no more: {}", seat.name(), why.getMessage());
            seat.lose(why);
            closer.execute(() -> work.close(seat));
        }
    }

    @Override
    public void destroy() {
        seats.values().forEach(s -> s.lose(new SeatLost("the server ends", false)));
        closer.shutdown();
    }
}
