package freshsplice.core.camera;

import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Movement laid over a camera's own, in the camera's own axes. Cameras may share one: a change of it shows in all.
 *
 * @param id      its id in the scene
 * @param name    for people
 * @param sway    what it does over its frames
 * @param amounts how far it goes at full strength: metres along the camera's right, up and back, degrees of pan, tilt and roll
 */
public record MotionLayer(long id, String name, Sway sway, Map<CameraChannel, Double> amounts) {
    private static final double MOST = 1000;

    /** @throws Refusal if it moves what is neither place nor turn, or too far */
    public MotionLayer {
        amounts = Map.copyOf(amounts);
        amounts.forEach((channel, amount) -> {
            if (!CameraChannel.PLACE.contains(channel)) {
                throw new Refusal("A motion layer moves and turns a camera; it has no " + channel.word());
            }
            if (!(Math.abs(amount) <= MOST)) {
                throw new Refusal("A motion layer goes up to " + (long) MOST + " m or degrees far, not " + amount);
            }
        });
    }

    /** The same with some amounts changed; those that are not named stay. @throws Refusal as the constructor */
    public MotionLayer withAmounts(Map<CameraChannel, Double> changed) {
        Map<CameraChannel, Double> all = new EnumMap<>(CameraChannel.class);
        all.putAll(amounts);
        all.putAll(changed);
        return new MotionLayer(id, name, sway, all);
    }

    /**
     * How far it has gone at a frame.
     *
     * @param since  frames since it began
     * @param length frames that it lasts
     */
    Map<CameraChannel, Double> at(double since, double length) {
        Map<CameraChannel, Double> gone = new EnumMap<>(CameraChannel.class);
        amounts.forEach((channel, amount) -> gone.put(channel, amount * sway.share(channel, since, length)));
        return gone;
    }

    /** What a layer does over its frames, as a share of its amounts. */
    public sealed interface Sway {
        /** @param since frames since it began, 0 to {@code length} */
        double share(CameraChannel channel, double since, double length);

        /** Text that {@link #parse} reads. */
        String word();

        /** @throws Refusal if there is no such, or its figures cannot be */
        static Sway parse(String text) {
            String[] words = text.strip().split("\\s+");
            try {
                if (words[0].equals("KEYS")) {
                    return OwnKeys.of(List.of(words).subList(1, words.length));
                }
                return switch (words[0] + " " + (words.length - 1)) {
                    case "JOLT 2" -> new Jolt(Double.parseDouble(words[1]), Double.parseDouble(words[2]));
                    case "SHAKE 3" -> new Shake(Double.parseDouble(words[1]), Double.parseDouble(words[2]), Long.parseLong(words[3]));
                    case "DRIFT 2" -> new Drift(Double.parseDouble(words[1]), Long.parseLong(words[2]));
                    default -> throw unknown(text);
                };
            } catch (NumberFormatException e) {
                throw unknown(text);
            }
        }

        private static Refusal unknown(String text) {
            return new Refusal("A motion layer is JOLT period damping, SHAKE shortest longest seed, DRIFT period seed or KEYS frame:share frame:share, not \"" + text
                    + "\"");
        }
    }

    /**
     * One knock that dies away: e^(−ζωt)·sin ω′t, the free motion of a damped oscillator (textbooks of mechanics).
     *
     * @param period  frames of a swing
     * @param damping damping ratio, above 0 and under 1
     */
    public record Jolt(double period, double damping) implements Sway {
        public Jolt {
            checkPeriod(period);
            if (!(damping > 0 && damping < 1)) {
                throw new Refusal("A jolt dies away with a damping between 0 and 1, not " + damping);
            }
        }

        @Override
        public double share(CameraChannel channel, double since, double length) {
            double turning = 2 * Math.PI / period * since;
            return Math.exp(-damping * turning) * Math.sin(Math.sqrt(1 - damping * damping) * turning)
                    * Band.faded(length - since, length);
        }

        @Override
        public String word() {
            return "JOLT " + period + " " + damping;
        }
    }

    /** Trembling between two periods, always the same for a seed. @param shortest frames of the quickest swing */
    public record Shake(double shortest, double longest, long seed) implements Sway {
        public Shake {
            checkPeriod(shortest);
            checkPeriod(longest);
            if (longest < shortest) {
                throw new Refusal("A shake's slowest swing is not quicker than its quickest: " + longest + ", " + shortest);
            }
        }

        @Override
        public double share(CameraChannel channel, double since, double length) {
            return Band.at(shortest, longest, seed * 31 + channel.ordinal(), since) * Band.faded(since, length)
                    * Band.faded(length - since, length);
        }

        @Override
        public String word() {
            return "SHAKE " + shortest + " " + longest + " " + seed;
        }
    }

    /** Wandering slowly. @param period frames of a swing, about */
    public record Drift(double period, long seed) implements Sway {
        public Drift {
            checkPeriod(period);
        }

        @Override
        public double share(CameraChannel channel, double since, double length) {
            return new Shake(period, period * 4, seed).share(channel, since, length);
        }

        @Override
        public String word() {
            return "DRIFT " + period + " " + seed;
        }
    }

    /**
     * Keys of one's own, gone through without a halt.
     *
     * @param curve frames since the layer began to shares of its amounts, 1 for all
     */
    public record OwnKeys(Channel curve) implements Sway {
        private static final int MOST = 200;

        /** @throws Refusal if there are fewer than two, or they are not between its beginning and a million frames later */
        public OwnKeys {
            List<Key> keys = curve.keys();
            if (keys.size() < 2 || keys.size() > MOST) {
                throw new Refusal("A motion layer has 2 to " + MOST + " keys of its own, not " + keys.size());
            }
            if (keys.get(0).frame() < 0 || keys.get(keys.size() - 1).frame() > 1_000_000) {
                throw new Refusal("Keys of a motion layer count from its beginning, at 0");
            }
        }

        /** @param words such as 12:0.5 for half of it 12 frames after it began */
        private static OwnKeys of(List<String> words) {
            List<Key> keys = new ArrayList<>();
            for (String word : words) {
                String[] parts = word.split(":");
                if (parts.length != 2) {
                    throw new NumberFormatException(word);
                }
                keys.add(new Key(Long.parseLong(parts[0]), Double.parseDouble(parts[1]), Easing.THROUGH));
            }
            return new OwnKeys(new Channel(keys, 0));
        }

        @Override
        public double share(CameraChannel channel, double since, double length) {
            return curve.at(since);
        }

        @Override
        public String word() {
            return "KEYS " + curve.keys().stream().map(k -> k.frame() + ":" + k.value()).collect(Collectors.joining(" "));
        }
    }

    private static void checkPeriod(double frames) {
        if (!(frames >= 1 && frames <= 100_000)) {
            throw new Refusal("A swing takes 1 to 100000 frames, not " + frames);
        }
    }
}
