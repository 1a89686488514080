package freshsplice.render;

import freshsplice.core.board.BoardFit;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.FrameOrder;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Draws frames as their orders have them: sets through their cameras, slates, boards, frames of movies that are there, laid over each
 * other and written into. Sets are painted on the painter's thread; what comes after that can be done by one other, while the next
 * frame is painted.
 */
public final class FrameMaker implements AutoCloseable {
    private final StagePainter painter;
    private final FrameLook look;
    private final Footage footage;
    private final Letters letters;
    private final Strokes strokes;
    /** A board that is being read. @param part of its pictures alone; null for all of them */
    private record Open(MovieReader reader, BoardPart part) {
    }

    private interface Opening {
        Open of(Reel reel) throws IOException;
    }

    /** A run of pictures has a reader for each of them: only the last few stay. */
    private static final int READERS = 6;
    private final Map<String, Open> readers = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Open> eldest) {
            boolean many = size() > READERS;
            if (many) {
                eldest.getValue().reader().close();
            }
            return many;
        }
    };
    private final boolean alpha;
    private final boolean deep;
    private final Painting own = new Painting();
    /** What few frames need is there once one did: pictures can be large. */
    private Pixels layer;
    private SmoothEdges smoothEdges;

    /** What of a frame needs the painter. One is used for frames one after another. */
    static final class Painting {
        private FrameOrder order;
        private final List<RawPicture> sets = new ArrayList<>();

        private RawPicture set(int i) {
            while (sets.size() <= i) {
                sets.add(new RawPicture());
            }
            return sets.get(i);
        }
    }

    /** @param alpha whether the sky is left out; @param deep 16 bits of each colour, else 8 */
    public FrameMaker(StagePainter painter, FrameLook look, boolean alpha, boolean deep, Footage footage) {
        this.painter = painter;
        this.look = look;
        this.footage = footage;
        this.letters = new Letters(look.width(), look.height());
        this.strokes = new Strokes(look.width(), look.height());
        this.alpha = alpha;
        this.deep = deep;
        painter.form(PictureForm.of(look, alpha, deep));
    }

    /** @param picture receives the frame */
    public void draw(FrameOrder order, Pixels picture) throws IOException {
        paint(order, own);
        finish(own, picture);
    }

    /** Paints all sets of a frame, on the painter's thread. */
    void paint(FrameOrder order, Painting into) throws IOException {
        into.order = order;
        int sets = 0;
        for (FrameOrder.Layer one : order.layers()) {
            if (one.source() instanceof FrameOrder.Source.OfSet set) {
                painter.set(footage.set(set.set()));
                painter.draw(set.moments(), into.set(sets++));
            }
        }
    }

    /** @param picture receives the frame */
    void finish(Painting painted, Pixels picture) throws IOException {
        FrameOrder order = painted.order;
        Iterator<RawPicture> sets = painted.sets.iterator();
        List<FrameOrder.Layer> layers = order.layers();
        if (layers.isEmpty() || layers.get(0).weight() < 1 || layers.get(0).source() instanceof FrameOrder.Source.OfBoard) {
            picture.black();
        }
        for (int i = 0; i < layers.size(); i++) {
            FrameOrder.Layer one = layers.get(i);
            if (one.source() instanceof FrameOrder.Source.OfBoard board) {
                lay(board, one.weight(), picture);
            } else if (i == 0 && one.weight() >= 1) {
                put(one.source(), sets, picture);
            } else {
                layer = layer == null ? new Pixels(look.width(), look.height(), alpha, deep) : layer;
                put(one.source(), sets, layer);
                picture.lay(layer, one.weight());
            }
        }
        strokes.draw(picture, order.aids());
        letters.write(picture, order.lines());
    }

    private void put(FrameOrder.Source source, Iterator<RawPicture> sets, Pixels into) throws IOException {
        if (source instanceof FrameOrder.Source.OfSet) {
            put(sets.next(), into);
        } else if (source instanceof FrameOrder.Source.OfWords words) {
            into.takeOver(Slate.draw(words.text(), look.width(), look.height()));
        } else if (source instanceof FrameOrder.Source.OfMovie movie) {
            into.takeOver(frame(movie.movie(), movie.frame(), look.width(), look.height()));
        } else {
            into.black();
        }
    }

    private void put(RawPicture set, Pixels into) {
        if (look.edges() == FrameLook.Edges.QUICK) {
            smoothEdges = smoothEdges == null ? new SmoothEdges(into) : smoothEdges;
            set.smooth(smoothEdges, into);
        } else {
            set.take(into.bytes());
        }
    }

    /** Lays a board where it lies; what of it is cropped or outside the picture is not seen. */
    private void lay(FrameOrder.Source.OfBoard board, double weight, Pixels picture) throws IOException {
        BoardFit.Place place = board.place();
        BoardFit.Crop crop = board.crop();
        Pixels.Box inside = box(place.left(), place.top(), place.width(), place.height());
        double wide = place.width() / (1 - crop.left() - crop.right());
        double high = place.height() / (1 - crop.top() - crop.bottom());
        Pixels.Box all = box(place.left() - crop.left() * wide, place.top() - crop.top() * high, wide, high);
        Pixels.Box seen = inside.within(look.width(), look.height());
        if (!BoardPart.isNeeded(all, (long) look.width() * look.height())) {
            picture.layPart(frame(board.board(), board.frame(), all.wide(), all.high()), all, inside, weight);
        } else if (!seen.isEmpty()) {
            Open open = open(board.board(), all + " " + seen, reel -> {
                BoardPart part = BoardPart.of(reel.file(), all, seen);
                return new Open(new MovieReader(reel.file(), part, reel.rate()), part);
            });
            picture.layPart(open.reader().frame(board.frame()), open.part().at(), inside, weight);
        }
    }

    /** In pixels. */
    private Pixels.Box box(double left, double top, double wide, double high) {
        return new Pixels.Box((int) Math.round(left * look.width()), (int) Math.round(top * look.height()),
                Math.max(2, (int) Math.round(wide * look.width())), Math.max(2, (int) Math.round(high * look.height())));
    }

    private byte[] frame(String key, long frame, int width, int height) throws IOException {
        return open(key, width + " x " + height, reel -> new Open(new MovieReader(reel.file(), width, height, reel.rate()), null)).reader().frame(frame);
    }

    /** @param how it is read; @param opening is asked once for it, and not for each frame */
    private Open open(String key, String how, Opening opening) throws IOException {
        String reader = key + " " + how;
        if (!readers.containsKey(reader)) {
            readers.put(reader, opening.of(footage.reel(key)));
        }
        return readers.get(reader);
    }

    @Override
    public void close() {
        readers.values().forEach(open -> open.reader().close());
    }
}
