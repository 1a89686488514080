package freshsplice.render;

import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.PicturePlan;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Draws the pictures of a plan: the set through its cameras, slates, frames of movies that are there, mixed as the plan says. */
final class PictureMaker implements AutoCloseable {
    private final StagePainter painter;
    private final int width;
    private final int height;
    private final boolean blur;
    private final FrameRate rate;
    private final Map<Long, Path> movies;
    private final Map<Long, MovieReader> readers = new HashMap<>();
    private final byte[] layer;

    /** @param blur whether what is out of focus is blurred; @param movies files of rendered movies, by the render's id */
    PictureMaker(StagePainter painter, int width, int height, boolean blur, FrameRate rate, Map<Long, Path> movies) {
        this.blur = blur;
        this.painter = painter;
        this.width = width;
        this.height = height;
        this.rate = rate;
        this.movies = movies;
        this.layer = new byte[width * height * 3];
        painter.size(width, height);
    }

    /** @param into red, green and blue bytes, rows from the top */
    void draw(PicturePlan.Picture picture, byte[] into) throws IOException {
        Arrays.fill(into, (byte) 0);
        for (PicturePlan.Layer one : picture.layers()) {
            if (one.weight() >= 1) {
                draw(one.source(), into);
            } else {
                draw(one.source(), layer);
                mix(into, layer, one.weight());
            }
        }
    }

    private void draw(PicturePlan.Source source, byte[] into) throws IOException {
        if (source instanceof PicturePlan.Source.OfCamera filmed) {
            Filmed of = filmed.filmed();
            painter.stage(of.stage());
            Bake.Frame frame = Bake.of(of.shot(), of.camera(), of.stage(), new RenderRange(filmed.position(), Rational.ONE, 1),
                    width / (double) height).frame(0);
            painter.draw(frame.view(), frame.projection(), frame.places(), 0, blur ? frame.blur() : null, into);
        } else if (source instanceof PicturePlan.Source.OfWords lettered) {
            System.arraycopy(Slate.draw(lettered.text(), width, height), 0, into, 0, into.length);
        } else if (source instanceof PicturePlan.Source.OfRender rendered) {
            MovieReader reader = readers.computeIfAbsent(rendered.renderId(),
                    id -> new MovieReader(movies.get(id), width, height, rate));
            System.arraycopy(reader.frame(rendered.frame()), 0, into, 0, into.length);
        } else {
            Arrays.fill(into, (byte) 0);
        }
    }

    /** Lays a picture over another. @param weight its share, 0 to 1 */
    static void mix(byte[] under, byte[] over, double weight) {
        int share = (int) Math.round(weight * 256);
        for (int i = 0; i < under.length; i++) {
            int a = under[i] & 0xFF;
            under[i] = (byte) (a + ((over[i] & 0xFF) - a) * share / 256);
        }
    }

    @Override
    public void close() {
        readers.values().forEach(MovieReader::close);
    }
}
