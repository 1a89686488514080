package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Colour;
import freshsplice.core.stage.Figures;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.Timecode;
import freshsplice.render.BurnIn;
import freshsplice.render.MovieReader;
import freshsplice.render.MovieSound;
import freshsplice.render.MovieWriter;
import freshsplice.render.Slate;
import freshsplice.render.StagePainter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongPredicate;

/**
 * Everything that one render is drawn from, read at its start, so that edits made meanwhile do not mix in.
 *
 * @param name     sh0010_v003
 * @param range    of a shot; null for a whole master
 * @param shot     the shot; null for a whole master
 * @param master   the master; null for a shot
 * @param nested   masters that it nests, by id
 * @param movies   files of renders that it shows, by id
 * @param shots    shots by id
 * @param cameras  cameras by shot id
 * @param startTimecode frame of the first frame's timecode
 */
record Drawing(String name, int width, int height, boolean burnIn, FrameRate rate, boolean drop, RenderRange range,
               Shot shot, Master master, Map<Long, Master> nested, Map<Long, Path> movies, Map<Long, Shot> shots,
               Map<Long, Camera> cameras, Stage stage, long frames, long startTimecode, List<MovieSound> sound, Fingerprint fingerprint) {
    /**
     * Draws all frames into a movie.
     *
     * @param goOn asked with the number of frames done before each; false stops
     * @return whether it was finished
     */
    boolean draw(StagePainter painter, Path file, LongPredicate goOn) throws IOException {
        painter.size(width, height);
        painter.stage(stage.items().stream().map(i -> Figures.mesh(i.shape(), Colour.of(i.colour()))).toList());
        BurnIn letters = burnIn ? new BurnIn(width, height) : null;
        byte[] picture = new byte[width * height * 3];
        try (MovieWriter movie = new MovieWriter(file, width, height, rate, label(0), sound, frames);
             Screen screen = new Screen(painter)) {
            for (long k = 0; k < frames; k++) {
                if (!goOn.test(k)) {
                    return false;
                }
                drawFrame(screen, k, picture, letters);
                movie.frame(picture);
            }
            movie.finish();
        }
        return true;
    }

    /** What pictures come from. */
    private final class Screen implements AutoCloseable {
        private final StagePainter painter;
        private final Map<Long, MovieReader> readers = new HashMap<>();
        private final FrameChain chain = new FrameChain(nested::get);

        Screen(StagePainter painter) {
            this.painter = painter;
        }

        /** Draws a layer; @return false for black */
        boolean draw(FrameChain.Layer layer, byte[] into) throws IOException {
            Section.Content content = layer.section().content();
            if (content instanceof Section.Content.OfShot) {
                drawShot(shots.get(layer.shotId()), layer.position(), into);
            } else if (content instanceof Section.Content.Slate slate) {
                System.arraycopy(Slate.draw(slate.text(), width, height), 0, into, 0, into.length);
            } else if (content instanceof Section.Content.OfRender render) {
                MovieReader reader = readers.computeIfAbsent(render.renderId(),
                        id -> new MovieReader(movies.get(id), width, height, rate));
                System.arraycopy(reader.frame(Math.max(0, layer.frame())), 0, into, 0, into.length);
            } else {
                return false;
            }
            return true;
        }

        void drawShot(Shot of, Rational position, byte[] into) {
            Bake.Frame frame = Bake.of(of, cameras.get(of.id()), stage, new RenderRange(position, Rational.ONE, 1),
                    width / (double) height).frame(0);
            painter.draw(frame.view(), frame.projection(), frame.places(), 0, into);
        }

        @Override
        public void close() {
            readers.values().forEach(MovieReader::close);
        }
    }

    private void drawFrame(Screen screen, long k, byte[] picture, BurnIn letters) throws IOException {
        if (master == null) {
            Rational position = range.positionOf(k);
            screen.drawShot(shot, position, picture);
            if (letters != null) {
                letters.write(picture, name, position.floor() + "  " + label(k));
            }
            return;
        }
        List<FrameChain.Layer> layers = screen.chain.at(master, master.start() + k);
        Arrays.fill(picture, (byte) 0);
        byte[] layer = new byte[picture.length];
        for (FrameChain.Layer seen : layers) {
            if (!screen.draw(seen, layer)) {
                Arrays.fill(layer, (byte) 0);
            }
            mix(picture, layer, seen.weight());
        }
        if (letters != null) {
            letters.write(picture, name + "  " + title(layers), label(k));
        }
    }

    private String title(List<FrameChain.Layer> layers) {
        FrameChain.Layer top = layers.isEmpty() ? null : layers.get(layers.size() - 1);
        return top == null || top.shotId() == 0 ? top == null ? "black" : ""
                : shots.get(top.shotId()).code() + "  " + top.frame();
    }

    private static void mix(byte[] under, byte[] over, double weight) {
        int share = (int) Math.round(weight * 256);
        for (int i = 0; i < under.length; i++) {
            int a = under[i] & 0xFF;
            under[i] = (byte) (a + ((over[i] & 0xFF) - a) * share / 256);
        }
    }

    private String label(long k) {
        return Timecode.of(startTimecode + k, rate, drop).label();
    }
}
