package freshsplice.core.camera.edit;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.PoseStack;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Cameras mounted on things of the set, and freed again. At the frame where it is done nothing seen changes. */
public final class Mounting {
    private Mounting() {
    }

    /**
     * Mounts it for all of its frames. Its keys count from the carrier's own axes then, and it stays where it is at a moment.
     *
     * @throws Refusal if the thing is not in the set
     */
    public static Camera throughout(Camera camera, Stage stage, Moment moment, long itemId) {
        check(stage, itemId);
        Matrix world = PoseStack.of(camera, stage).carrier(moment);
        Matrix carrier = PoseStack.of(camera.mounted(List.of(new Mount(null, itemId))), stage).carrier(moment);
        Matrix inverse = carrier.rigidInverse();
        return counted(camera, world == null ? inverse : inverse.times(world)).mounted(List.of(new Mount(null, itemId)));
    }

    /** Frees it for all of its frames: it stays where it is at a moment, and its keys count in the world. */
    public static Camera freed(Camera camera, Stage stage, Moment moment) {
        Matrix carrier = PoseStack.of(camera, stage).carrier(moment);
        return carrier == null ? camera : counted(camera, carrier).mounted(List.of());
    }

    /**
     * Mounts it from a frame on. No key changes: what they say goes on from where it is.
     *
     * @param itemId null to free it from there on
     * @throws Refusal if the thing is not in the set, or it is free there anyway
     */
    public static Camera from(Camera camera, Stage stage, long frame, Long itemId) {
        if (itemId != null) {
            check(stage, itemId);
        }
        List<Mount> mounts = new ArrayList<>(camera.mounts());
        mounts.removeIf(m -> m.from() != null && m.from() == frame);
        Long before = null;
        for (Mount mount : mounts) {
            before = mount.from() == null || mount.from() < frame ? mount.itemId() : before;
        }
        if (itemId == null ? before == null : itemId.equals(before)) {
            throw new Refusal(itemId == null ? "\"" + camera.name() + "\" is free at frame " + frame + " already"
                    : "\"" + camera.name() + "\" is mounted on that at frame " + frame + " already");
        }
        mounts.add(new Mount(frame, itemId));
        return camera.mounted(mounts);
    }

    /** A camera without a thing that is taken out of the set: what it carried stays where it is, what looked at it looks on. */
    public static Camera without(Camera camera, Stage stage, Moment moment, long itemId) {
        Camera left = camera;
        if (camera.aim() != null && camera.aim().itemId() == itemId) {
            CameraPose.Place place = PoseStack.of(camera, stage).valuesFor(PoseStack.of(camera.layered(List.of()), stage)
                    .at(moment).placed(), moment);
            left = SetValues.at(left.aimed(null), 0, Map.of(CameraChannel.PAN, place.pan(), CameraChannel.TILT, place.tilt()),
                    Reach.WHOLE, Easing.EASED);
        }
        if (camera.focusOn() != null && camera.focusOn().itemId() == itemId) {
            double focus = PoseStack.of(camera, stage).at(moment).focus();
            left = SetValues.at(left.focused(null), 0, Map.of(CameraChannel.FOCUS, focus), Reach.WHOLE, Easing.EASED);
        }
        boolean forEver = camera.mounts().stream().anyMatch(m -> m.from() == null && m.itemId() != null && m.itemId() == itemId);
        if (forEver && camera.mounts().size() == 1) {
            return freed(left, stage, moment);
        }
        return left.mounted(left.mounts().stream().map(m -> m.itemId() != null && m.itemId() == itemId
                ? new Mount(m.from(), null) : m).toList());
    }

    private static void check(Stage stage, long itemId) {
        if (stage.items().stream().noneMatch(i -> i.id() == itemId)) {
            throw new Refusal("That thing is not in the set any more: choose another to mount on");
        }
    }

    /** Its values and keys, counted in other axes. What is keyed in any part of its place is keyed in all of it then. */
    private static Camera counted(Camera camera, Matrix into) {
        TreeMap<Long, Key> frames = new TreeMap<>();
        CameraChannel.PLACE.forEach(c -> camera.channel(c).keys().forEach(k -> frames.putIfAbsent(k.frame(), k)));
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        channels.putAll(camera.channels());
        if (frames.isEmpty()) {
            place(camera, 0, into).forEach((channel, value) -> channels.put(channel, Channel.constant(value)));
            return camera.with(channels);
        }
        CameraChannel.PLACE.forEach(c -> channels.put(c, Channel.constant(camera.channel(c).plain())));
        frames.forEach((frame, key) -> place(camera, frame, into).forEach((channel, value) ->
                channels.put(channel, channels.get(channel).withKey(key.withValue(value)))));
        return camera.with(channels);
    }

    private static Map<CameraChannel, Double> place(Camera camera, long frame, Matrix into) {
        Rational at = Rational.of(frame);
        CameraPose.Place place = new CameraPose.Place(camera.keyed(CameraChannel.X, at), camera.keyed(CameraChannel.Y, at),
                camera.keyed(CameraChannel.Z, at), camera.keyed(CameraChannel.PAN, at), camera.keyed(CameraChannel.TILT, at),
                camera.keyed(CameraChannel.ROLL, at));
        return CameraPose.place(into.times(place.matrix())).values();
    }
}
