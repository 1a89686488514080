package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Matrix;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.LongFunction;

/**
 * A view that was walked or flown by hand, as a camera's movement with few keys. Keys are added where the movement is farthest from
 * what was recorded, until none of its frames is farther than is allowed.
 */
public final class RecordedWalk {
    /** Longer than anybody walks at once. */
    private static final int MOST_FRAMES = 20_000;

    /**
     * Where the view was.
     *
     * @param seconds since the recording began, rising
     * @param placed  from the view's own axes to the world
     * @param lens    mm
     */
    public record Sample(double seconds, Matrix placed, double lens) {
    }

    /**
     * How far the movement may be from what was recorded.
     *
     * @param metres  of its place
     * @param degrees of pan, tilt and roll each
     */
    public record Tolerance(double metres, double degrees) {
        public Tolerance {
            if (!(metres >= 0.001 && metres <= 10 && degrees >= 0.01 && degrees <= 45)) {
                throw new Refusal("A recorded move is kept to 0.001–10 m and 0.01–45°, not " + metres + " m and " + degrees + "°");
            }
        }

        /** Of what has a tolerance by itself: its place has one altogether. */
        private double of(CameraChannel channel) {
            return channel == CameraChannel.LENS ? LENS_MM : degrees;
        }

        private static final double LENS_MM = 0.5;
    }

    private static final List<CameraChannel> RECORDED = List.of(CameraChannel.X, CameraChannel.Y, CameraChannel.Z, CameraChannel.PAN,
            CameraChannel.TILT, CameraChannel.ROLL, CameraChannel.LENS);

    private RecordedWalk() {
    }

    /**
     * The camera with this movement in place of its own.
     *
     * @param stack  of the camera, for what carries it
     * @param moment both clocks at a shot frame
     * @param from   shot frame at which the recording began
     * @throws Refusal if there is less than a frame of it, or too much
     */
    public static Camera of(Camera camera, PoseStack stack, LongFunction<Moment> moment, List<Sample> samples, long from, FrameRate rate,
                            Tolerance tolerance) {
        Map<CameraChannel, double[]> recorded = atFrames(samples, stack, moment, from, rate);
        int frames = recorded.get(CameraChannel.X).length;
        TreeSet<Integer> keyed = new TreeSet<>(List.of(0, frames - 1));
        Map<CameraChannel, Channel> channels = through(recorded, keyed, from);
        while (addWorst(recorded, channels, keyed, from, tolerance)) {
            channels = through(recorded, keyed, from);
        }
        Map<CameraChannel, Channel> all = new EnumMap<>(CameraChannel.class);
        all.putAll(camera.channels());
        all.putAll(channels);
        return camera.with(all);
    }

    /** What the camera is set to at every whole frame of the recording; angles go on over half turns. */
    private static Map<CameraChannel, double[]> atFrames(List<Sample> samples, PoseStack stack, LongFunction<Moment> moment, long from,
                                                         FrameRate rate) {
        double seconds = samples.isEmpty() ? 0 : samples.get(samples.size() - 1).seconds();
        double perSecond = rate.fps().toDouble();
        int frames = (int) Math.min(Integer.MAX_VALUE, Math.floor(seconds * perSecond) + 1);
        if (frames < 2 || frames > MOST_FRAMES) {
            throw new Refusal("A recorded move lasts 2 to " + MOST_FRAMES + " frames, not " + Math.max(0, frames));
        }
        Map<CameraChannel, double[]> values = new EnumMap<>(CameraChannel.class);
        RECORDED.forEach(channel -> values.put(channel, new double[frames]));
        int after = 1;
        for (int k = 0; k < frames; k++) {
            double at = k / perSecond;
            while (after < samples.size() - 1 && samples.get(after).seconds() < at) {
                after++;
            }
            fill(values, k, between(samples.get(after - 1), samples.get(after), at), stack, moment.apply(from + k));
        }
        return values;
    }

    private static void fill(Map<CameraChannel, double[]> values, int k, Sample now, PoseStack stack, Moment moment) {
        Map<CameraChannel, Double> set = stack.valuesFor(now.placed(), moment).values();
        set.put(CameraChannel.LENS, CameraChannel.LENS.check(now.lens()));
        set.forEach((channel, value) -> values.get(channel)[k] = k == 0 || !channel.isAngle() ? value
                : values.get(channel)[k - 1] + Way.SHORT.of(value - values.get(channel)[k - 1]));
    }

    /** Steps of a hand that follow each other closely: in between it goes straight, and turns the short way. */
    private static Sample between(Sample a, Sample b, double seconds) {
        double length = b.seconds() - a.seconds();
        double share = length <= 0 ? 1 : Math.max(0, Math.min(1, (seconds - a.seconds()) / length));
        CameraPose.Place p = CameraPose.place(a.placed());
        CameraPose.Place q = CameraPose.place(b.placed());
        CameraPose.Place place = new CameraPose.Place(mix(p.x(), q.x(), share), mix(p.y(), q.y(), share), mix(p.z(), q.z(), share),
                p.pan() + Way.SHORT.of(q.pan() - p.pan()) * share, p.tilt() + Way.SHORT.of(q.tilt() - p.tilt()) * share,
                p.roll() + Way.SHORT.of(q.roll() - p.roll()) * share);
        return new Sample(seconds, place.matrix(), mix(a.lens(), b.lens(), share));
    }

    private static double mix(double a, double b, double share) {
        return a + (b - a) * share;
    }

    private static Map<CameraChannel, Channel> through(Map<CameraChannel, double[]> recorded, TreeSet<Integer> keyed, long from) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        recorded.forEach((channel, values) -> {
            List<Key> keys = new ArrayList<>();
            for (int k : keyed) {
                Integer next = keyed.higher(k);
                // turned as it was recorded, by more than half a turn too
                Way way = next == null ? Way.SHORT : Way.keeping(values[next] - values[k]);
                keys.add(new Key(from + k, values[k], Easing.THROUGH, Easing.THROUGH, way));
            }
            channels.put(channel, new Channel(keys, values[0]));
        });
        return channels;
    }

    /** Adds a key in every way between two keys that is too far off somewhere. @return whether there was any */
    private static boolean addWorst(Map<CameraChannel, double[]> recorded, Map<CameraChannel, Channel> channels, TreeSet<Integer> keyed,
                                    long from, Tolerance tolerance) {
        List<Integer> added = new ArrayList<>();
        Integer start = null;
        for (int end : keyed) {
            if (start != null) {
                int worst = -1;
                double most = 1;
                for (int k = start + 1; k < end; k++) {
                    double off = off(recorded, channels, k, from, tolerance);
                    if (off > most) {
                        most = off;
                        worst = k;
                    }
                }
                if (worst >= 0) {
                    added.add(worst);
                }
            }
            start = end;
        }
        return keyed.addAll(added);
    }

    /** How far off the movement is at a frame, 1 for just as far as is allowed. */
    private static double off(Map<CameraChannel, double[]> recorded, Map<CameraChannel, Channel> channels, int k, long from,
                              Tolerance tolerance) {
        double apart = 0;
        double worst = 0;
        for (CameraChannel channel : RECORDED) {
            Channel of = channels.get(channel);
            double is = channel.isAngle() ? of.angleAt(Rational.of(from + k)) : of.at((double) (from + k));
            double off = is - recorded.get(channel)[k];
            if (channel.isAngle() || channel == CameraChannel.LENS) {
                worst = Math.max(worst, Math.abs(off) / tolerance.of(channel));
            } else {
                apart += off * off;
            }
        }
        return Math.max(worst, Math.sqrt(apart) / tolerance.metres());
    }
}
