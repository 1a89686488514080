package freshsplice.server.renders;

import freshsplice.render.CannotDraw;
import freshsplice.render.ChunkDrawer;
import freshsplice.render.PainterThread;
import freshsplice.render.StagePainter;
import freshsplice.server.settings.Settings;
import java.io.IOException;
import java.io.InterruptedIOException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** This machine, drawing in the server's own process. */
@Component
class OwnSeat implements Seat, DisposableBean {
    private final KeptFrames kept;
    private final PainterThread drawer = new PainterThread("renders", Thread.NORM_PRIORITY);
    private final SeatWork work;
    private final Settings settings;
    private String driver;
    private boolean opened;

    OwnSeat(KeptFrames kept, SeatWork work, Settings settings) {
        this.kept = kept;
        this.work = work;
        this.settings = settings;
    }

    /** Lets it draw, once there is something to draw and where it is to: OpenGL takes memory and a moment. */
    synchronized void open() {
        if (!opened && settings.drawHere()) {
            opened = true;
            work.open(this);
        }
    }

    /** @throws CannotDraw if nothing draws here, nor anywhere else, and no other machine is expected */
    void checkSomethingDraws() {
        if (work.cannot() != null && work.seats().isEmpty() && settings.workersAddress().isEmpty()) {
            throw new CannotDraw(work.cannot());
        }
    }

    @Override
    public String name() {
        return OWN;
    }

    @Override
    public synchronized String driver() throws IOException {
        driver = driver == null ? drawer.draw(StagePainter::driver) : driver;
        return driver;
    }

    @Override
    public boolean draw(Chunk chunk, Watch watch) throws IOException {
        try {
            return drawer.draw(painter -> {
                try (ChunkDrawer frames = new ChunkDrawer(painter)) {
                    return frames.draw(chunk.job().job().recipe(), chunk.orders(), ChunkDrawer.Sink.of(kept.frames(chunk.renderId())), kept.footage(chunk.job()),
                            frame -> {
                                watch.drawn();
                                return watch.goesOn();
                            });
                }
            });
        } catch (InterruptedIOException e) {
            return false;
        }
    }

    @Override
    public void destroy() {
        drawer.close();
    }
}
