package freshsplice.worker;

import freshsplice.core.render.DrawnSet;
import freshsplice.render.CannotDraw;
import freshsplice.render.ChunkDrawer;
import freshsplice.render.DrawingVersion;
import freshsplice.render.FileDigest;
import freshsplice.render.Footage;
import freshsplice.render.FrameFile;
import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.render.Pixels;
import freshsplice.render.Reel;
import freshsplice.render.SetFile;
import freshsplice.render.StagePainter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/** Draws for a server until it is told to end, or is not let in any more. Whatever dies meanwhile, it comes back and goes on. */
final class Worker {
    private static final long HEARD_EVERY_MS = 2500;
    private static final long AGAIN_AFTER_MS = 1000;
    private static final int TRIES_OF_A_FILE = 4;
    private static final int MOST_REFUSALS = 60;

    private final Door door;
    private final Stock stock;
    private final String name;
    private final Consumer<String> say;
    private final ScheduledExecutorService heart = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "heard");
        thread.setDaemon(true);
        return thread;
    });
    private StagePainter painter;
    private volatile String seat;
    private volatile boolean ending;
    private boolean silent;

    /** @param name for people; @param say takes what it has to say, a line each */
    Worker(Door door, Stock stock, String name, Consumer<String> say) {
        this.door = door;
        this.stock = stock;
        this.name = name;
        this.say = say;
    }

    /** A chunk that is being drawn. */
    private static final class Turn {
        private final Wire.Assignment given;
        private volatile boolean wanted = true;

        Turn(Wire.Assignment given) {
            this.given = given;
        }
    }

    /** @throws Refusal if it is not let in; @throws CannotDraw if there is nothing to draw with here */
    void run() throws IOException {
        painter = new StagePainter();
        say.accept("Draws with " + painter.driver());
        try {
            while (!ending) {
                try {
                    Wire.Welcome welcome = door.hello(new Wire.Hello(name, painter.driver(), DrawingVersion.now()));
                    say.accept("Known to the server as " + welcome.name());
                    silent = false;
                    serve(welcome);
                } catch (IOException e) {
                    comeBack(e);
                }
            }
        } finally {
            heart.shutdownNow();
            painter.close();
        }
    }

    /** Leaves: what it has to draw is given to another at once. Comes from another thread. */
    void end() {
        ending = true;
        String left = seat;
        if (left != null) {
            try {
                door.leave(left);
            } catch (IOException e) {
                // the server finds out by itself
            }
        }
    }

    private void comeBack(IOException e) throws IOException {
        seat = null;
        if (e instanceof Refusal refusal && !refusal.isGone() && !refusal.isPassing()) {
            throw e;
        }
        if (!silent && !ending) {
            silent = true;
            say.accept("The server does not answer" + (e.getMessage() == null ? "" : " (" + e.getMessage() + ")") + ": asked again until it does");
        }
        rest();
    }

    private static void rest() {
        try {
            Thread.sleep(AGAIN_AFTER_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void serve(Wire.Welcome welcome) throws IOException {
        seat = welcome.seat();
        Path shared = shared(welcome);
        while (!ending) {
            Wire.Assignment given = door.next(welcome.seat());
            if (given != null) {
                draw(welcome.seat(), new Turn(given), shared);
            }
        }
    }

    /** The folder of frames where it is seen here too; null where it is not. */
    private Path shared(Wire.Welcome welcome) {
        if (welcome.shared().isEmpty()) {
            return null;
        }
        try {
            Path folder = Path.of(welcome.shared());
            if (Files.readString(folder.resolve(Wire.PROBE)).equals(welcome.probe()) && Files.isWritable(folder)) {
                say.accept("Frames are put into " + folder);
                return folder;
            }
        } catch (IOException e) {
            // told below
        }
        say.accept("The shared folder " + welcome.shared() + " is not the server's here: frames are sent");
        return null;
    }

    private void draw(String mine, Turn turn, Path shared) throws IOException {
        Wire.Assignment given = turn.given;
        say.accept(given.renderName() + ", " + given.missing().size() + " frames from " + (given.missing().isEmpty() ? 0 : given.missing().get(0)));
        ScheduledFuture<?> beats = heart.scheduleWithFixedDelay(() -> beat(mine, turn), HEARD_EVERY_MS, HEARD_EVERY_MS, TimeUnit.MILLISECONDS);
        try {
            JobFile.Contents job = JobFile.read(door.get(mine, given.ticket(), "job"), "the job");
            OrderFile.Orders orders = OrderFile.read(door.get(mine, given.ticket(), "orders"), "the orders");
            try (ChunkDrawer drawer = new ChunkDrawer(painter)) {
                boolean whole = drawer.draw(job.job().recipe(), orders, sink(mine, turn, shared), footage(mine, turn, job),
                        frame -> turn.wanted && !ending);
                if (whole) {
                    retried(() -> door.ended(mine, given.ticket(), new Wire.End(null)));
                }
            }
        } catch (Refusal e) {
            if (e.isGone()) {
                say.accept("Not wanted of this machine any more");
            } else {
                giveBack(mine, turn, e.getMessage());
            }
        } catch (CannotDraw e) {
            giveBack(mine, turn, e.getMessage());
        } catch (RuntimeException | StackOverflowError e) {
            // not foreseen: what it had is given back, and it goes on with a new painter
            paintAnew();
            giveBack(mine, turn, e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
        } catch (OutOfMemoryError e) {
            paintAnew();
            giveBack(mine, turn, "There is not enough memory on " + name + ": start it with more (FRESH_SPLICE_MEMORY)");
        } catch (IOException e) {
            giveBack(mine, turn, e.getMessage());
        } finally {
            beats.cancel(false);
        }
    }

    private void paintAnew() throws IOException {
        painter.close();
        painter = new StagePainter();
    }

    private void giveBack(String mine, Turn turn, String why) throws IOException {
        say.accept("Not drawn: " + why);
        door.ended(mine, turn.given.ticket(), new Wire.End(why == null ? "It failed" : why));
    }

    private void beat(String mine, Turn turn) {
        try {
            turn.wanted &= door.heard(mine, turn.given.ticket());
        } catch (Refusal e) {
            turn.wanted &= !e.isGone();
        } catch (IOException e) {
            // whoever hands in a frame finds out
        }
    }

    private ChunkDrawer.Sink sink(String mine, Turn turn, Path shared) {
        Set<Long> missing = Set.copyOf(turn.given.missing());
        return new ChunkDrawer.Sink() {
            @Override
            public boolean has(long frame) {
                return !missing.contains(frame);
            }

            @Override
            public void keep(long frame, Pixels pixels) throws IOException {
                String ticket = turn.given.ticket();
                if (shared != null) {
                    Path file = shared.resolve(String.valueOf(turn.given.renderId())).resolve("frames").resolve(FrameFile.name(frame));
                    FrameFile.write(file, pixels);
                    String sha256 = FileDigest.of(file);
                    retried(() -> door.put(mine, ticket, frame, sha256));
                } else {
                    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                    FrameFile.write(bytes, pixels);
                    retried(() -> door.frame(mine, ticket, frame, bytes.toByteArray()));
                }
            }
        };
    }

    private interface Talk {
        void talk() throws IOException;
    }

    /** Says it again while the line is down, until it comes through or is not this machine's to say any more. */
    private void retried(Talk talk) throws IOException {
        for (int refused = 0;;) {
            try {
                talk.talk();
                return;
            } catch (Refusal e) {
                if (!e.isPassing() || ++refused == MOST_REFUSALS) {
                    throw e;
                }
            } catch (IOException e) {
                if (ending) {
                    throw e;
                }
            }
            rest();
        }
    }

    private Footage footage(String mine, Turn turn, JobFile.Contents job) {
        return new Footage() {
            private DrawnSet known;

            @Override
            public DrawnSet set(String key) throws IOException {
                if (known == null || !known.key().equals(key)) {
                    known = SetFile.read(stock.file(key + ".glb", into -> Files.write(into, door.get(mine, turn.given.ticket(), "sets/" + key))), key);
                }
                return known;
            }

            @Override
            public Reel reel(String key) throws IOException {
                Reel reel = job.reels().get(key);
                if (reel == null) {
                    throw new IOException("The job knows no picture " + key);
                }
                Path file = stock.file(reel.sha256() + ending(reel.file()), into -> fetched(key, reel, into));
                return new Reel(file, reel.rate(), reel.sha256());
            }

            private void fetched(String key, Reel reel, Path into) throws IOException {
                for (int tries = 1;; tries++) {
                    try {
                        door.reel(mine, turn.given.ticket(), key, reel.sha256(), into);
                        return;
                    } catch (Refusal e) {
                        throw e;
                    } catch (IOException e) {
                        if (tries == TRIES_OF_A_FILE) {
                            throw e;
                        }
                        rest();
                    }
                }
            }
        };
    }

    private static String ending(Path file) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        String ending = dot < 0 ? "" : name.substring(dot);
        return ending.matches("\\.[A-Za-z0-9]+") ? ending : "";
    }
}
