package freshsplice.server.workers;

import freshsplice.render.FrameFile;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.Seat;
import freshsplice.server.renders.SeatLost;
import freshsplice.worker.Wire;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.LongStream;

/** Another machine, drawing one chunk at a time. What it is given waits here until it asks for it. */
public final class WorkerSeat implements Seat {
    private static final long LOOK_EVERY_MS = 500;
    private static final int LONGEST_IN_QUEUE = 41;

    /** A chunk that it has. */
    private static final class Turn {
        private final String ticket = UUID.randomUUID().toString();
        private final Chunk chunk;
        private final Watch watch;
        private boolean ended;
        private IOException wrong;

        Turn(Chunk chunk, Watch watch) {
            this.chunk = chunk;
            this.watch = watch;
        }
    }

    private final String id = UUID.randomUUID().toString();
    private final long keyId;
    private final String name;
    private final String driver;
    private final String address;
    private final KeptFrames kept;
    private Turn turn;
    private CompletableFuture<Wire.Assignment> asking;
    private long heard = System.nanoTime();
    private SeatLost lost;

    /** @param address it comes from */
    WorkerSeat(long keyId, String name, String driver, String address, KeptFrames kept) {
        this.keyId = keyId;
        this.name = name;
        this.driver = driver;
        this.address = address;
        this.kept = kept;
    }

    public String id() {
        return id;
    }

    long keyId() {
        return keyId;
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public String queueName() {
        return name.substring(0, Math.min(LONGEST_IN_QUEUE, name.length())) + "#" + id.substring(0, 8);
    }

    @Override
    public String driver() {
        return driver;
    }

    public String address() {
        return address;
    }

    /** Seconds since anything was heard of it. */
    public synchronized double silence() {
        return (System.nanoTime() - heard) / 1e9;
    }

    synchronized void heard() {
        heard = System.nanoTime();
    }

    @Override
    public boolean draw(Chunk chunk, Watch watch) throws IOException {
        Turn mine = new Turn(chunk, watch);
        if (isLost()) {
            // what it is given after that is not what it was lost with
            throw new SeatLost(name + " is gone", false);
        }
        give(mine);
        try {
            return await(mine);
        } finally {
            synchronized (this) {
                turn = null;
            }
        }
    }

    private synchronized boolean isLost() {
        return lost != null;
    }

    private void give(Turn given) {
        CompletableFuture<Wire.Assignment> waits;
        synchronized (this) {
            turn = given;
            waits = asking;
            asking = null;
        }
        if (waits != null) {
            waits.complete(given(given));
        }
    }

    private synchronized boolean await(Turn mine) throws IOException {
        while (!mine.ended && lost == null && mine.watch.goesOn()) {
            try {
                wait(LOOK_EVERY_MS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
        if (mine.wrong != null) {
            throw mine.wrong;
        }
        if (lost != null) {
            throw lost;
        }
        return mine.ended;
    }

    private Wire.Assignment given(Turn of) {
        Chunk chunk = of.chunk;
        List<Long> missing = LongStream.range(chunk.first(), chunk.first() + chunk.frames()).boxed().filter(f -> isMissing(chunk, f)).toList();
        return new Wire.Assignment(of.ticket, chunk.renderId(), chunk.renderName(), missing);
    }

    private boolean isMissing(Chunk chunk, long frame) {
        return !Files.exists(kept.frames(chunk.renderId()).resolve(FrameFile.name(frame)));
    }

    /** What it is to draw, as soon as there is something: what it has already where it did not hear of it. */
    public CompletableFuture<Wire.Assignment> next() {
        Turn has;
        synchronized (this) {
            heard();
            has = turn;
            asking = has == null ? new CompletableFuture<>() : null;
            if (has == null) {
                return asking;
            }
        }
        return CompletableFuture.completedFuture(given(has));
    }

    /** The chunk of a ticket. @throws TurnOver if it is not this machine's any more */
    public synchronized Chunk chunk(String ticket) {
        heard();
        return turn(ticket).chunk;
    }

    private Turn turn(String ticket) {
        if (turn == null || !turn.ticket.equals(ticket) || turn.ended || lost != null || !turn.watch.goesOn()) {
            throw new TurnOver("That is not for this machine to draw any more");
        }
        return turn;
    }

    /** Whether it still is to draw a chunk. */
    public synchronized boolean goesOn(String ticket) {
        heard();
        return turn != null && turn.ticket.equals(ticket) && !turn.ended && lost == null && turn.watch.goesOn();
    }

    /** Notes a frame that came in. */
    void came(String ticket) {
        Watch watch;
        synchronized (this) {
            watch = turn(ticket).watch;
        }
        watch.drawn();
    }

    /** @param error why it could not be drawn; null where all is there */
    public synchronized void ended(String ticket, String error) {
        heard();
        Turn of = turn(ticket);
        List<Long> missing = given(of).missing();
        if (error != null || !missing.isEmpty()) {
            of.wrong = new IOException(name + ": " + (error == null ? missing.size() + " frames did not come in" : error));
        }
        of.ended = true;
        notifyAll();
    }

    /** Ends its turn because the server cannot take what it draws. */
    synchronized void cannotTake(String ticket, IOException why) {
        turn(ticket).wrong = why;
        turn.ended = true;
        notifyAll();
    }

    /** Ends its work: what it has is put back. */
    void lose(SeatLost why) {
        CompletableFuture<Wire.Assignment> waits;
        synchronized (this) {
            lost = why;
            waits = asking;
            asking = null;
            notifyAll();
        }
        if (waits != null) {
            waits.complete(null);
        }
    }
}
