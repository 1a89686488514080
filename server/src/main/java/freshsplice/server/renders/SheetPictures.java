package freshsplice.server.renders;

import freshsplice.core.render.BurnIn;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.RenderAsk;
import freshsplice.render.FrameMaker;
import freshsplice.render.JobFile;
import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** One picture of each of some shots, drawn small for a sheet: what its camera sees, or its board where nobody staged it. */
@Component
public class SheetPictures {
    /** One corner for all, so that they come in one line. */
    private static final BurnIn.Corner WORDS = BurnIn.Corner.BOTTOM_LEFT;

    private final ShotDrawings reader;
    private final KeptFrames kept;

    SheetPictures(ShotDrawings reader, KeptFrames kept) {
        this.reader = reader;
        this.kept = kept;
    }

    /** Pictures that are drawn as they are asked for, one after another. */
    public final class SheetStills implements AutoCloseable {
        private final JobFile.Contents job;
        private final List<FrameOrder> orders;
        private final ShotDrawings.Stills stills;
        private final PainterThread drawer = new PainterThread("contact sheet", Thread.MIN_PRIORITY);

        private SheetStills(ShotDrawings.Stills stills) {
            this.stills = stills;
            this.job = stills.kept();
            this.orders = stills.orders();
        }

        public BufferedImage picture(int at) throws IOException {
            Recipe recipe = job.job().recipe();
            Pixels pixels = new Pixels(recipe.look().width(), recipe.look().height(), false, false);
            return drawer.draw((StagePainter painter) -> {
                try (FrameMaker maker = new FrameMaker(painter, recipe.look(), false, false, kept.footage(job, stills.sets()))) {
                    maker.draw(new FrameOrder(orders.get(at).layers(), List.of()), pixels);
                }
                return pixels.image();
            });
        }

        /** What is said of a picture. */
        public String caption(int at) {
            return orders.get(at).lines().stream().filter(l -> l.corner() == WORDS).map(FrameOrder.Line::text).collect(Collectors.joining("  "));
        }

        @Override
        public void close() {
            drawer.close();
        }
    }

    /** @param width of each picture, pixels */
    public SheetStills of(long projectId, List<Long> shotIds, RenderAsk.When when, List<BurnIn.Field> captions, int width, int height, String who) {
        FrameLook look = new FrameLook(Math.max(16, width), Math.max(16, height), 200, FrameLook.Edges.QUICK, 0, 2, false, 0);
        Recipe recipe = Recipe.of(look, captions.stream().distinct().map(f -> new BurnIn(f, WORDS)).toList(), OutputKind.PNG8);
        return new SheetStills(reader.stills(projectId, shotIds, new RenderAsk(new RenderAsk.Extent.Still(when), 0, 1), recipe, who));
    }
}
