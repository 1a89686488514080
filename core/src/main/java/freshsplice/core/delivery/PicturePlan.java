package freshsplice.core.delivery;

import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.Timecode;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;

/**
 * What each frame of a movie shows, said before anything is drawn: which pictures are laid over each other with which weights, and
 * what is written beside them. Whoever draws needs to know no master and no rule of mixing.
 */
public final class PicturePlan {
    /** Where a picture comes from. */
    public sealed interface Source {
        /** The set, through a camera. @param position exact shot frame */
        record OfCamera(Filmed filmed, Rational position) implements Source {
        }

        /** A frame of a movie that was rendered before; its last where it has no such. */
        record OfRender(long renderId, long frame) implements Source {
        }

        /** Words on a plain ground. */
        record OfWords(String text) implements Source {
        }

        record Black() implements Source {
        }
    }

    /** @param weight its share where it is laid over what lies below it, 0 to 1 */
    public record Layer(Source source, double weight) {
    }

    /**
     * A frame.
     *
     * @param layers from the back to the front, over black
     * @param left   what is written at its left where it is written on: name and shot
     * @param right  at its right: frame and timecode
     */
    public record Picture(List<Layer> layers, String left, String right) {
        public Picture {
            layers = List.copyOf(layers);
        }
    }

    private final long frames;
    private final Label start;
    private final LongFunction<Picture> pictures;

    private PicturePlan(long frames, Label start, LongFunction<Picture> pictures) {
        this.frames = frames;
        this.start = start;
        this.pictures = pictures;
    }

    /** Where a movie's timecode begins, and how it counts. */
    private record Label(long first, FrameRate rate, boolean drop) {
        String at(long frame) {
            return Timecode.of(first + frame, rate, drop).label();
        }
    }

    /**
     * A render of a shot.
     *
     * @param name sh0010_v003
     */
    public static PicturePlan ofShot(String name, Filmed filmed, RenderRange range, FrameRate rate, boolean drop) {
        Label label = new Label(range.startTimecode(), rate, drop);
        return new PicturePlan(range.frames(), label, k -> {
            Rational position = range.positionOf(k);
            return new Picture(List.of(new Layer(new Source.OfCamera(filmed, position), 1)), name,
                    position.floor() + "  " + label.at(k));
        });
    }

    /**
     * A whole master from its first frame on.
     *
     * @param frames how many
     * @param nested masters that it nests, by id
     * @param filmed by the shot's id
     */
    public static PicturePlan ofMaster(String name, Master master, long frames, Map<Long, Master> nested, Map<Long, Filmed> filmed) {
        Label label = new Label(master.start(), master.rate(), master.dropFrame());
        FrameChain chain = new FrameChain(nested::get);
        return new PicturePlan(frames, label, k -> {
            List<FrameChain.Layer> layers = chain.at(master, master.start() + k);
            return new Picture(layers.stream().map(l -> new Layer(source(l, filmed), l.weight())).toList(),
                    name + "  " + title(layers, filmed), label.at(k));
        });
    }

    private static Source source(FrameChain.Layer layer, Map<Long, Filmed> filmed) {
        Section.Content content = layer.section().content();
        if (content instanceof Section.Content.OfShot of) {
            return new Source.OfCamera(filmed.get(of.shotId()), layer.position());
        }
        return content instanceof Section.Content.Slate slate ? new Source.OfWords(slate.text())
                : content instanceof Section.Content.OfRender render
                ? new Source.OfRender(render.renderId(), Math.max(0, layer.frame())) : new Source.Black();
    }

    private static String title(List<FrameChain.Layer> layers, Map<Long, Filmed> filmed) {
        if (layers.isEmpty()) {
            return "black";
        }
        FrameChain.Layer top = layers.get(layers.size() - 1);
        return top.shotId() == 0 ? "" : filmed.get(top.shotId()).shot().code() + "  " + top.frame();
    }

    public long frames() {
        return frames;
    }

    public FrameRate rate() {
        return start.rate();
    }

    /** The timecode of the first frame, as it is written into the movie. */
    public String startLabel() {
        return start.at(0);
    }

    /** @param frame counted from 0 */
    public Picture at(long frame) {
        return pictures.apply(frame);
    }
}
