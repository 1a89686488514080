package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.Viewpoint;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** A camera's whole movement laid through viewpoints: n viewpoints make n − 1 ways. */
public final class MoveThrough {
    /**
     * A stop on the way.
     *
     * @param frames of the way from here to the next; the last has none
     * @param halt   whether it stands still for a moment here; the first and the last always do
     */
    public record Stop(Viewpoint viewpoint, long frames, boolean halt) {
    }

    private MoveThrough() {
    }

    /**
     * The camera with this movement in place of its own. It passes inner viewpoints at a speed that goes on, in place and turn alike.
     *
     * @param from shot frame of the first viewpoint
     * @throws Refusal if there are fewer than two, or a way has no frame
     */
    public static Camera of(Camera camera, List<Stop> stops, long from) {
        if (stops.size() < 2) {
            throw new Refusal("A move goes through two viewpoints at least");
        }
        Map<CameraChannel, List<Key>> keys = new EnumMap<>(CameraChannel.class);
        long frame = from;
        for (int i = 0; i < stops.size(); i++) {
            Stop stop = stops.get(i);
            boolean end = i == 0 || i == stops.size() - 1;
            Easing side = end || stop.halt() ? Easing.EASED : Easing.THROUGH;
            long at = frame;
            stop.viewpoint().values().forEach((channel, value) -> keys.computeIfAbsent(channel, k -> new ArrayList<>())
                    .add(new Key(at, channel.check(value), side, side, Way.SHORT)));
            if (i < stops.size() - 1 && stop.frames() < 1) {
                throw new Refusal("The way from \"" + stop.viewpoint().name() + "\" to the next needs a frame at least");
            }
            frame += stop.frames();
        }
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        keys.forEach((channel, of) -> channels.put(channel, new Channel(of, of.get(0).value())));
        return camera.with(channels);
    }
}
