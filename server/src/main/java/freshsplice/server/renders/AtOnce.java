package freshsplice.server.renders;

import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import java.io.IOException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Draws single pictures that somebody waits for: they wait for no render. */
@Component
class AtOnce implements DisposableBean {
    private final PainterThread drawer = new PainterThread("single pictures", Thread.NORM_PRIORITY);

    /** @param what for the error; @throws IOException if it cannot be drawn; says why */
    Pixels draw(String what, PainterThread.Work<Pixels> work) throws IOException {
        return drawer.draw(what, work);
    }

    @Override
    public void destroy() {
        drawer.close();
    }
}
