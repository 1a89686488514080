package freshsplice.core.master;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongFunction;

/**
 * How a frame is found: record frame → live clip → shot frame, through the clip's speed, and through nested
 * masters. Positions stay exact on the way, so a nested master at another speed is evaluated between its frames too;
 * which clip of it is live is said by the frame that contains the position. Every view, render, export and report goes
 * through here.
 */
public final class FrameChain {
    /**
     * One picture that is seen at a record frame.
     *
     * @param clip  the clip, in the innermost master
     * @param position exact shot frame; the picture shown is the frame that contains it
     * @param weight   how much of it covers what is under it, 0 to 1; layers are laid over each other in order
     */
    public record Layer(Clip clip, Rational position, double weight) {
        public long shotId() {
            return clip.shotId();
        }

        /** The shot frame whose picture is shown. */
        public long frame() {
            return position.floor();
        }
    }

    private static final int DEEPEST = 32;
    /** Shares add up to one but for what is rounded. */
    private static final double NOTHING = 1e-9;

    private final LongFunction<Master> masters;

    /** @param masters finds nested masters by id */
    public FrameChain(LongFunction<Master> masters) {
        this.masters = masters;
    }

    /** The chain of masters that nest nothing. */
    public static FrameChain flat() {
        return new FrameChain(id -> {
            throw new IllegalStateException("Master " + id + " is nested and was not given");
        });
    }

    /** What is seen at a record frame, from the back to the front; empty for black. */
    public List<Layer> at(Master master, long recordFrame) {
        return at(master, Rational.of(recordFrame));
    }

    /** The same between two record frames. */
    public List<Layer> at(Master master, Rational position) {
        return covering(at(master, position, 1, 0));
    }

    /**
     * Shares of the picture as how much each layer covers what is under it, black first: a transition within one of the sides of another
     * keeps its part of that side.
     */
    private static List<Layer> covering(List<Layer> shares) {
        double black = 1 - shares.stream().mapToDouble(Layer::weight).sum();
        double under = black < NOTHING ? 0 : black;
        List<Layer> layers = new ArrayList<>();
        for (Layer layer : shares) {
            under += layer.weight();
            layers.add(new Layer(layer.clip(), layer.position(), under <= 0 ? 1 : Math.min(1, layer.weight() / under)));
        }
        return layers;
    }

    /** @param weight share of the picture that is filled, as are those of the layers that come of it */
    private List<Layer> at(Master master, Rational position, double weight, int depth) {
        if (depth > DEEPEST) {
            throw new IllegalStateException("Master " + master.name() + " is nested in itself");
        }
        for (int i = master.tracks().size() - 1; i >= 0; i--) {
            Track track = master.tracks().get(i);
            List<Layer> layers = track.enabled() ? onTrack(track, position, weight, depth) : List.of();
            if (!layers.isEmpty()) {
                return layers;
            }
        }
        return List.of();
    }

    private List<Layer> onTrack(Track track, Rational position, double weight, int depth) {
        List<Clip> clips = track.clips();
        long frame = position.floor();
        int index = track.firstFrom(frame + 1) - 1;
        Clip here = index < 0 ? null : clips.get(index);
        Clip next = index + 1 < clips.size() ? clips.get(index + 1) : null;
        boolean inside = here != null && here.record().contains(frame);
        if (next != null && next.head() != null && next.enabled() && frame >= next.record().in() - next.head().before()) {
            return mixed(inside ? here : null, next, position, weight, depth);
        }
        if (!inside) {
            return List.of();
        }
        if (here.head() != null && here.enabled() && frame < here.record().in() + here.head().after()) {
            Clip before = index > 0 ? clips.get(index - 1) : null;
            boolean meets = before != null && before.record().out() == here.record().in();
            return mixed(meets ? before : null, here, position, weight, depth);
        }
        if (here.tail() != null && frame >= here.record().out() - here.tail().before()) {
            double gone = here.tail().share(frame - (here.record().out() - here.tail().before()));
            return layer(here, position, weight * (1 - gone), depth);
        }
        return layer(here, position, weight, depth);
    }

    /** The outgoing clip and the incoming one; black where there is none. */
    private List<Layer> mixed(Clip outgoing, Clip incoming, Rational position, double weight, int depth) {
        double share = incoming.head().share(position.floor() - (incoming.record().in() - incoming.head().before()));
        List<Layer> layers = new ArrayList<>();
        if (outgoing != null) {
            layers.addAll(layer(outgoing, position, weight * (1 - share), depth));
        }
        layers.addAll(layer(incoming, position, weight * share, depth));
        return layers;
    }

    private List<Layer> layer(Clip clip, Rational position, double weight, int depth) {
        if (!clip.enabled()) {
            return List.of();
        }
        Rational inside = clip.at(position);
        if (clip.content() instanceof Clip.Content.OfMaster nested) {
            return at(masters.apply(nested.masterId()), inside, weight, depth + 1);
        }
        return List.of(new Layer(clip, inside, weight));
    }
}
