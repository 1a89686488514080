package freshsplice.server.http.workers;

import freshsplice.core.refusal.Refusal;
import freshsplice.render.FileDigest;
import freshsplice.render.JobFile;
import freshsplice.render.Reel;
import freshsplice.server.http.Errors;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.Seat;
import freshsplice.server.workers.FrameArrivals;
import freshsplice.server.workers.TurnOver;
import freshsplice.server.workers.WorkerSeats;
import freshsplice.worker.Wire;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What machines that draw ask for and hand in. Each is answered for the chunk that it has, and for nothing else. */
@RestController
@Hidden
@RequestMapping(Wire.ROOT)
class WorkerController {
    private final WorkerSeats seats;
    private final KeptFrames kept;
    private final FrameArrivals arrivals;

    WorkerController(WorkerSeats seats, KeptFrames kept, FrameArrivals arrivals) {
        this.seats = seats;
        this.kept = kept;
        this.arrivals = arrivals;
    }

    @PostMapping("/seats")
    Wire.Welcome take(@RequestAttribute(WorkerDoor.KEY) long key, @Valid @RequestBody Wire.Hello hello, HttpServletRequest request) throws IOException {
        return seats.take(key, hello, request.getRemoteAddr());
    }

    @PostMapping("/seats/{seat}/next")
    CompletableFuture<ResponseEntity<Wire.Assignment>> next(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat) {
        return seats.seat(key, seat).next().completeOnTimeout(null, Wire.PATIENCE_SECONDS, TimeUnit.SECONDS)
                .thenApply(given -> given == null ? ResponseEntity.noContent().build() : ResponseEntity.ok(given));
    }

    @PostMapping("/seats/{seat}/leave")
    void leave(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat) {
        seats.leave(seats.seat(key, seat));
    }

    @PostMapping("/seats/{seat}/chunks/{ticket}")
    Wire.Heard heard(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket) {
        return new Wire.Heard(seats.seat(key, seat).goesOn(ticket));
    }

    @PostMapping("/seats/{seat}/chunks/{ticket}/ended")
    void ended(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket, @Valid @RequestBody Wire.End ended) {
        seats.seat(key, seat).ended(ticket, ended.error());
    }

    /** The job, without what only the server needs to know: where its files lie, and the sound. */
    @GetMapping("/seats/{seat}/chunks/{ticket}/job")
    ResponseEntity<byte[]> job(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket) {
        JobFile.Contents job = seats.seat(key, seat).chunk(ticket).job();
        Map<String, Reel> reels = new HashMap<>();
        job.reels().forEach((name, reel) -> reels.put(name, new Reel(Path.of(reel.file().getFileName().toString()), reel.rate(), reel.sha256())));
        return bytes(JobFile.bytes(new JobFile.Contents(job.job(), reels, List.of())));
    }

    @GetMapping("/seats/{seat}/chunks/{ticket}/orders")
    ResponseEntity<byte[]> orders(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket) throws IOException {
        Seat.Chunk chunk = seats.seat(key, seat).chunk(ticket);
        return bytes(Files.readAllBytes(kept.orders(chunk.renderId(), chunk.first())));
    }

    @GetMapping("/seats/{seat}/chunks/{ticket}/sets/{set}")
    ResponseEntity<byte[]> set(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket,
                               @PathVariable String set) throws IOException {
        if (seats.seat(key, seat).chunk(ticket).orders().sets().noneMatch(set::equals)) {
            throw new NotThere("That set is not in what this machine draws");
        }
        return bytes(Files.readAllBytes(kept.set(set)));
    }

    @GetMapping("/seats/{seat}/chunks/{ticket}/reels")
    ResponseEntity<Resource> reel(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket,
                                  @RequestParam("key") String reelKey) {
        Reel reel = seats.seat(key, seat).chunk(ticket).job().reels().get(reelKey);
        if (reel == null || !Files.exists(reel.file())) {
            throw new NotThere("A picture that it shows is not in its place any more: " + (reel == null ? reelKey : reel.file().getFileName()));
        }
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM).body(new FileSystemResource(reel.file()));
    }

    @PutMapping("/seats/{seat}/chunks/{ticket}/frames/{frame}")
    void frame(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket, @PathVariable long frame,
               @RequestHeader(Wire.DIGEST) String digest, HttpServletRequest request) throws IOException {
        arrivals.take(seats.seat(key, seat), ticket, frame, Wire.digestOf(digest), request.getInputStream());
    }

    @PostMapping("/seats/{seat}/chunks/{ticket}/frames/{frame}/put")
    void put(@RequestAttribute(WorkerDoor.KEY) long key, @PathVariable String seat, @PathVariable String ticket, @PathVariable long frame,
             @Valid @RequestBody Wire.Receipt put) throws IOException {
        arrivals.look(seats.seat(key, seat), ticket, frame, put.sha256());
    }

    private static ResponseEntity<byte[]> bytes(byte[] bytes) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM).header(Wire.DIGEST, Wire.digestHeader(FileDigest.of(bytes))).body(bytes);
    }

    @ExceptionHandler(TurnOver.class)
    ResponseEntity<Errors.Message> over(TurnOver e) {
        return ResponseEntity.status(HttpStatus.GONE).body(new Errors.Message(e.getMessage()));
    }

    /** The render was ended for it: there is nothing that this machine could do. */
    @ExceptionHandler(FrameArrivals.NotTaken.class)
    ResponseEntity<Errors.Message> notTaken(FrameArrivals.NotTaken e) {
        return ResponseEntity.status(HttpStatus.GONE).body(new Errors.Message("The server's disk does not take it"));
    }

    @ExceptionHandler(FrameArrivals.CameOtherwise.class)
    ResponseEntity<Errors.Message> cameOtherwise(FrameArrivals.CameOtherwise e) {
        return ResponseEntity.unprocessableContent().body(new Errors.Message(e.getMessage()));
    }

    @ExceptionHandler(Refusal.class)
    ResponseEntity<Errors.Message> refused(Refusal e) {
        return ResponseEntity.status(HttpStatus.CONFLICT).body(new Errors.Message(e.getMessage()));
    }
}
