package freshsplice.server.http.stages;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.edit.Reach;
import freshsplice.core.motion.Channel;
import freshsplice.core.stage.Item;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.http.stages.StageView.KeyView;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.LongStream;

/** Keys and values for the window, by the channel's name. */
final class KeyViews {
    /** A channel over more frames is drawn by fewer of them. */
    private static final int MOST_FRAMES = 4000;

    private KeyViews() {
    }

    static Map<String, List<KeyView>> of(Camera camera) {
        Map<String, List<KeyView>> views = new TreeMap<>();
        camera.channels().forEach((channel, keys) -> views.put(channel.word(), of(keys)));
        return views;
    }

    static Map<String, List<KeyView>> of(Item item) {
        Map<String, List<KeyView>> views = new TreeMap<>();
        item.channels().forEach((channel, keys) -> views.put(channel.word(), of(keys)));
        return views;
    }

    private static List<KeyView> of(Channel channel) {
        return channel.keys().stream().map(k -> new KeyView(k.frame(), k.value(), k.leaving().word(),
                k.arriving() == null ? null : k.arriving().word(), k.way())).toList();
    }

    /** What each keyed channel of a camera is at every frame. */
    static Map<String, double[]> curves(Camera camera, FrameRange frames) {
        Map<String, double[]> curves = new TreeMap<>();
        camera.channels().forEach((channel, of) -> {
            if (!of.keys().isEmpty()) {
                curves.put(channel.word(), frames(frames).mapToDouble(f -> camera.keyed(channel, Rational.of(f))).toArray());
            }
        });
        return curves;
    }

    /** The same of a thing that moves. @param frames action frames */
    static Map<String, double[]> curves(Item item, FrameRange frames) {
        Map<String, double[]> curves = new TreeMap<>();
        item.channels().forEach((channel, of) -> {
            if (!of.keys().isEmpty()) {
                curves.put(channel.word(), frames(frames).mapToDouble(f -> item.value(channel, Rational.of(f))).toArray());
            }
        });
        return curves;
    }

    private static LongStream frames(FrameRange frames) {
        return LongStream.range(frames.in(), Math.min(frames.out(), frames.in() + MOST_FRAMES));
    }

    static Map<Reach, Map<String, String>> reach(Camera camera) {
        Map<Reach, Map<String, String>> words = new EnumMap<>(Reach.class);
        for (Reach reach : Reach.values()) {
            Map<String, String> byChannel = new TreeMap<>();
            for (CameraChannel channel : CameraChannel.values()) {
                byChannel.put(channel.word(), reach.words(camera, channel));
            }
            words.put(reach, byChannel);
        }
        return words;
    }
}
