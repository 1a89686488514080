package freshsplice.server.http.workers;

import freshsplice.server.renders.Seat;
import freshsplice.server.renders.SeatWork;
import freshsplice.server.rows.WorkerKeyRow;
import freshsplice.server.settings.Settings;
import freshsplice.server.steps.Asker;
import freshsplice.server.workers.WorkerKeys;
import freshsplice.server.workers.WorkerSeat;
import freshsplice.server.workers.WorkerSeats;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The machines that draw, and the keys that others are let in by. */
@RestController
class MachinesController {
    /**
     * @param own     whether it is the server's
     * @param driver  what draws there; null where that is not known yet
     * @param address it comes from; null for the server's own
     * @param silence seconds since anything was heard of it
     * @param cannot  why it does not draw; null where it does
     */
    record MachineView(String name, boolean own, @Schema(nullable = true) String driver, @Schema(nullable = true) String address,
                       double silence, @Schema(nullable = true) DoingView doing, @Schema(nullable = true) String cannot) {
    }

    /** What a machine draws. @param done frames of its chunk */
    record DoingView(long renderId, String renderName, long first, int frames, int done) {
    }

    /** @param letIn whether it is let in */
    record KeyView(long id, String name, String who, Instant madeAt, boolean letIn) {
    }

    /** @param port that machines elsewhere reach this one at; 0 where they do not */
    record MachinesView(List<MachineView> machines, List<KeyView> keys, int port) {
    }

    /** A key to make. @param name for people */
    record NewKey(@NotNull(message = "is needed") String name) {
    }

    private final SeatWork work;
    private final WorkerKeys keys;
    private final WorkerSeats seats;
    private final WorkerPort port;
    private final Settings settings;

    MachinesController(SeatWork work, WorkerKeys keys, WorkerSeats seats, WorkerPort port, Settings settings) {
        this.work = work;
        this.keys = keys;
        this.seats = seats;
        this.port = port;
        this.settings = settings;
    }

    @GetMapping("/api/machines")
    MachinesView machines() throws IOException {
        List<MachineView> machines = new ArrayList<>();
        List<Seat> open = work.seats();
        if (settings.drawHere() && open.stream().noneMatch(s -> s.name().equals(Seat.OWN))) {
            machines.add(new MachineView(Seat.OWN, true, null, null, 0, null, work.cannot()));
        }
        for (Seat seat : open) {
            machines.add(view(seat));
        }
        return new MachinesView(machines, keys.all().stream().map(MachinesController::view).toList(), Math.max(0, port.number()));
    }

    private MachineView view(Seat seat) throws IOException {
        SeatWork.Doing doing = work.doing(seat);
        DoingView does = doing == null ? null : new DoingView(doing.renderId(), doing.renderName(), doing.first(), doing.frames(), doing.done().get());
        return seat instanceof WorkerSeat other ? new MachineView(seat.name(), false, seat.driver(), other.address(), other.silence(), does, work.rests(seat))
                : new MachineView(seat.name(), true, seat.driver(), null, 0, does, work.rests(seat));
    }

    private static KeyView view(WorkerKeyRow key) {
        return new KeyView(key.id, key.name, key.who, key.madeAt, key.revokedAt == null);
    }

    /** Makes a key, and says it this once. */
    @PostMapping("/api/machines/keys")
    WorkerKeys.IssuedKey makeKey(@Valid @RequestBody NewKey wanted, Asker who) {
        return keys.make(wanted.name(), who.name());
    }

    /** Lets a key in no more: machines that came with it leave at once. */
    @PostMapping("/api/machines/keys/{key}/revoke")
    void revokeKey(@PathVariable long key) {
        keys.letIn(key, false);
        seats.revoke(key);
    }

    @PostMapping("/api/machines/keys/{key}/let-in")
    void letKeyIn(@PathVariable long key) {
        keys.letIn(key, true);
    }
}
