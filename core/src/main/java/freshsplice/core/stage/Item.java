package freshsplice.core.stage;

import freshsplice.core.motion.Channel;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.Rational;
import java.util.Map;

/**
 * A thing of the set.
 *
 * @param id       its id in the project
 * @param name     for people
 * @param geometry what it looks like
 * @param width    scale along x; metres for plain solids, a factor for figures
 * @param height   scale along y
 * @param depth    scale along z
 * @param channels keyed movement on the action clock; an absent channel keeps its plain value
 */
public record Item(long id, String name, Geometry geometry, double width, double height, double depth,
                   Map<ItemChannel, Channel> channels) {
    private static final double LARGEST = 100_000;

    /** @throws Refusal if a side is not above 0, or past 100 km */
    public Item {
        channels = Map.copyOf(channels);
        check("width", width);
        check("height", height);
        check("depth", depth);
    }

    private static void check(String side, double length) {
        if (!(length > 0) || length > LARGEST) {
            throw new Refusal("A thing has a " + side + " above 0 and up to " + (long) LARGEST + " m, and this is " + length);
        }
    }

    /** The middle of what is seen of it, in its own axes, metres. */
    public double[] middle() {
        double[] middle = geometry.middle();
        return new double[] {middle[0] * width, middle[1] * height, middle[2] * depth};
    }

    public double value(ItemChannel channel, Rational actionFrame) {
        Channel keyed = channels.get(channel);
        return keyed == null ? channel.plain() : channel.isAngle() ? keyed.angleAt(actionFrame) : keyed.at(actionFrame);
    }

    /** A channel's values and keys. */
    public Channel channel(ItemChannel channel) {
        return channels.getOrDefault(channel, Channel.constant(channel.plain()));
    }

    public Item with(Map<ItemChannel, Channel> changed) {
        return new Item(id, name, geometry, width, height, depth, changed);
    }

    public boolean isShown(Rational actionFrame) {
        return value(ItemChannel.SHOWN, actionFrame) >= 0.5;
    }

    /** Where its mesh is drawn at an exact action frame; all zero where it is away. */
    public Matrix placedAt(Rational frame) {
        return isShown(frame) ? standsAt(frame).times(Matrix.scaling(width, height, depth)) : Matrix.scaling(0, 0, 0);
    }

    /** Its own axes at an exact action frame, turned and moved only: what is mounted on it or looks at it counts from these. */
    public Matrix standsAt(Rational frame) {
        return Matrix.translation(value(ItemChannel.X, frame), value(ItemChannel.Y, frame),
                        value(ItemChannel.Z, frame))
                .times(Matrix.rotationY(value(ItemChannel.TURN, frame)))
                .times(Matrix.rotationX(-value(ItemChannel.LEAN, frame)));
    }

    public boolean moves() {
        return channels.values().stream().anyMatch(c -> c.keys().size() > 1);
    }
}
