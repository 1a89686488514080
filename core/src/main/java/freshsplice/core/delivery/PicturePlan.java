package freshsplice.core.delivery;

import freshsplice.core.master.Clip;
import freshsplice.core.master.FrameChain;
import freshsplice.core.master.Master;
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
        /** The set, through a camera. @param position exact shot frame; @param step shot frames from here to the next frame */
        record OfCamera(FilmedShot filmed, Rational position, Rational step) implements Source {
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
     * @param facts  what can be written into it
     */
    public record Picture(List<Layer> layers, Facts facts) {
        public Picture {
            layers = List.copyOf(layers);
        }
    }

    /**
     * What can be said of a frame.
     *
     * @param name     of what is rendered, with its version
     * @param shot     code of the shot that is seen on top; {@code black} where nothing is, empty for what is no shot
     * @param frame    that shot's own frame number; null without a shot
     * @param timecode of the movie
     */
    public record Facts(String name, String shot, Long frame, String timecode) {
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
     * @param name  sh0010_v003
     * @param range what it shows, frame by frame at the movie's rate
     * @param rate  the movie's
     * @param own   the project's, that shot frames are counted at
     */
    public static PicturePlan ofShot(String name, FilmedShot filmed, RenderRange range, FrameRate rate, FrameRate own, boolean drop) {
        return ofPictures(name, filmed.shot().code(), range, rate, own, drop, k -> {
            Rational position = range.positionOf(k);
            return new Source.OfCamera(filmed, position, range.positionOf(k + 1).minus(position));
        });
    }

    /**
     * Pictures that are there, one after another.
     *
     * @param range  what of the shot they show, frame by frame at their rate
     * @param rate   theirs
     * @param own    the project's
     * @param source where each is
     */
    public static PicturePlan ofPictures(String name, String shot, RenderRange range, FrameRate rate, FrameRate own, boolean drop,
                                         LongFunction<Source> source) {
        Label label = new Label(Rational.of(range.startTimecode()).times(own.framesOf(rate)).floor(), rate, drop && rate.equals(own));
        return new PicturePlan(range.frames(), label, k -> new Picture(List.of(new Layer(source.apply(k), 1)),
                new Facts(name, shot, range.positionOf(k).floor(), label.at(k))));
    }

    /**
     * A whole master from its first frame on.
     *
     * @param frames how many, at the movie's rate
     * @param rate   the movie's
     * @param nested masters that it nests, by id
     * @param filmed by the shot's id
     */
    public static PicturePlan ofMaster(String name, Master master, long frames, FrameRate rate, Map<Long, Master> nested,
                                       Map<Long, FilmedShot> filmed) {
        Rational each = rate.framesOf(master.rate());
        Label label = new Label(Rational.of(master.start()).dividedBy(each).floor(), rate, master.dropFrame() && rate.equals(master.rate()));
        FrameChain chain = new FrameChain(nested::get);
        return new PicturePlan(frames, label, k -> {
            List<FrameChain.Layer> layers = chain.at(master, each.times(k).plus(master.start()));
            List<FrameChain.Layer> next = chain.at(master, each.times(k + 1).plus(master.start()));
            return new Picture(layers.stream().map(l -> new Layer(source(l, step(l, next, each), filmed), l.weight())).toList(),
                    facts(name, layers, filmed, label.at(k)));
        });
    }

    /** How far the content goes from one frame to the next; by the clip's mean speed where the next frame shows another clip. */
    private static Rational step(FrameChain.Layer layer, List<FrameChain.Layer> next, Rational each) {
        return next.stream().filter(n -> n.clip().equals(layer.clip())).findFirst()
                .map(n -> n.position().minus(layer.position())).orElseGet(() -> layer.clip().speed().times(each));
    }

    private static Source source(FrameChain.Layer layer, Rational step, Map<Long, FilmedShot> filmed) {
        Clip.Content content = layer.clip().content();
        if (content instanceof Clip.Content.OfShot of) {
            return new Source.OfCamera(filmed.get(of.shotId()), layer.position(), step);
        }
        return content instanceof Clip.Content.Slate slate ? new Source.OfWords(slate.text())
                : content instanceof Clip.Content.OfRender render
                ? new Source.OfRender(render.renderId(), Math.max(0, layer.frame())) : new Source.Black();
    }

    private static Facts facts(String name, List<FrameChain.Layer> layers, Map<Long, FilmedShot> filmed, String timecode) {
        if (layers.isEmpty()) {
            return new Facts(name, "black", null, timecode);
        }
        FrameChain.Layer top = layers.get(layers.size() - 1);
        return top.shotId() == 0 ? new Facts(name, "", null, timecode)
                : new Facts(name, filmed.get(top.shotId()).shot().code(), top.frame(), timecode);
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
