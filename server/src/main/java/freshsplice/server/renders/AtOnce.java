package freshsplice.server.renders;

import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.io.InterruptedIOException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Draws single pictures that somebody waits for: they wait for no render. */
@Component
class AtOnce implements DisposableBean {
    private final PainterThread drawer = new PainterThread("single pictures", Thread.NORM_PRIORITY);

    /** What is drawn. */
    interface Work {
        Pixels draw(StagePainter painter) throws IOException;
    }

    /** @param what for the error; @throws IOException if it cannot be drawn; says why */
    Pixels draw(String what, Work work) throws IOException {
        try {
            return drawer.draw(work::draw);
        } catch (InterruptedIOException e) {
            throw e;
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            throw new IOException(what + " cannot be drawn: " + e.getMessage(), e);
        }
    }

    @Override
    public void destroy() {
        drawer.close();
    }
}
