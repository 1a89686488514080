package freshsplice.core.camera;

import freshsplice.core.motion.Way;
import freshsplice.core.shot.Moment;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Matrix;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.Rational;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;

/**
 * What a camera is at a moment, worked out in one place: set or keyed values, turned to what it aims at, carried by what it is
 * mounted on, moved by its layers. Everything that draws, bakes, measures or picks asks here; what is typed and keyed is
 * {@link Camera#keyed}, another question.
 */
public final class PoseStack {
    private final Camera camera;
    private final Map<Long, Item> items = new HashMap<>();

    private PoseStack(Camera camera, Stage stage) {
        this.camera = camera;
        if (camera.aim() != null || camera.focusOn() != null || !camera.mounts().isEmpty()) {
            stage.items().forEach(item -> items.put(item.id(), item));
        }
    }

    public static PoseStack of(Camera camera, Stage stage) {
        return new PoseStack(camera, stage);
    }

    /** The pose at a moment. */
    public CameraPose at(Moment moment) {
        Matrix carrier = carrier(moment);
        Matrix placed = own(moment, carrier);
        if (carrier != null) {
            placed = carrier.times(placed);
        }
        placed = layered(placed, moment.shotFrame().toDouble());
        return new CameraPose(placed, value(CameraChannel.LENS, moment), focus(placed, moment), value(CameraChannel.STOP, moment));
    }

    private double value(CameraChannel channel, Moment moment) {
        return camera.keyed(channel, moment.shotFrame());
    }

    /** Its own place on what carries it, turned to its aim. */
    private Matrix own(Moment moment, Matrix carrier) {
        CameraPose.Place place = new CameraPose.Place(value(CameraChannel.X, moment), value(CameraChannel.Y, moment),
                value(CameraChannel.Z, moment), value(CameraChannel.PAN, moment), value(CameraChannel.TILT, moment),
                value(CameraChannel.ROLL, moment));
        double[] target = camera.aim() == null ? null : point(camera.aim(), moment);
        if (target == null) {
            return place.matrix();
        }
        double[] from = carrier == null ? target : carrier.rigidInverse().apply(target[0], target[1], target[2]);
        return turnedTo(place, from).matrix();
    }

    /** Straight above or below it keeps its own pan. */
    public static CameraPose.Place turnedTo(CameraPose.Place place, double[] target) {
        double dx = target[0] - place.x();
        double dy = target[1] - place.y();
        double dz = target[2] - place.z();
        double level = Math.hypot(dx, dz);
        double pan = level < 1e-9 ? place.pan() : Math.toDegrees(Math.atan2(-dx, -dz));
        double tilt = level < 1e-9 && Math.abs(dy) < 1e-9 ? place.tilt() : Math.toDegrees(Math.atan2(dy, level));
        return new CameraPose.Place(place.x(), place.y(), place.z(), pan, tilt, place.roll());
    }

    /** Where the point of an aim is in the world; null where its thing is not in the set any more. */
    private double[] point(Aim aim, Moment moment) {
        Item item = items.get(aim.itemId());
        Rational action = aim.lag() == 0 ? moment.actionFrame() : moment.actionBefore(aim.lag());
        return item == null ? null : item.standsAt(action).apply(aim.x(), aim.y(), aim.z());
    }

    /** Where the values of a camera would have to stand for it to be somewhere in the world at a moment. */
    public CameraPose.Place valuesFor(Matrix placed, Moment moment) {
        Matrix carrier = carrier(moment);
        CameraPose.Place place = CameraPose.place(carrier == null ? placed : carrier.rigidInverse().times(placed));
        // a place tells angles up to half a turn: they go on from where they are, else a pan over 180° would be keyed as one back
        return new CameraPose.Place(place.x(), place.y(), place.z(), goingOn(CameraChannel.PAN, place.pan(), moment), place.tilt(),
                goingOn(CameraChannel.ROLL, place.roll(), moment));
    }

    private double goingOn(CameraChannel channel, double degrees, Moment moment) {
        double now = value(channel, moment);
        return now + Way.SHORT.of((degrees - now) % TURN);
    }

    /** A distance along the line of sight, as a lens is focused. */
    private double focus(Matrix placed, Moment moment) {
        double[] point = camera.focusOn() == null ? null : point(camera.focusOn(), moment);
        if (point == null) {
            return value(CameraChannel.FOCUS, moment);
        }
        double depth = -placed.rigidInverse().apply(point[0], point[1], point[2])[2];
        return Math.max(depth, NEAREST_FOCUS);
    }

    private static final double TURN = 360;
    private static final double NEAREST_FOCUS = 0.05;

    /**
     * From the axes that the camera's values count in to the world; null where nothing carries it. At a frame where what carries it
     * changes, its place in the world is the same on both sides, whatever its keys say there: what it leaves and what it goes to
     * are both taken as they are at that frame.
     */
    public Matrix carrier(Moment moment) {
        if (camera.mounts().isEmpty()) {
            return null;
        }
        Matrix kept = Matrix.identity();
        Long on = null;
        for (Mount mount : camera.mounts()) {
            if (mount.from() != null && Rational.of(mount.from()).compareTo(moment.shotFrame()) > 0) {
                break;
            }
            if (mount.from() != null) {
                Rational there = moment.actionOf(mount.from());
                kept = stands(mount.itemId(), there).rigidInverse().times(stands(on, there)).times(kept);
            }
            on = mount.itemId();
        }
        return stands(on, moment.actionFrame()).times(kept);
    }

    private Matrix stands(Long itemId, Rational actionFrame) {
        Item item = itemId == null ? null : items.get(itemId);
        return item == null ? Matrix.identity() : item.standsAt(actionFrame);
    }

    private Matrix layered(Matrix placed, double shotFrame) {
        Map<CameraChannel, Double> moved = new EnumMap<>(CameraChannel.class);
        for (LayerUse use : camera.layers()) {
            use.at(shotFrame).forEach((channel, by) -> moved.merge(channel, by * use.strength(), Double::sum));
        }
        return moved.isEmpty() ? placed : placed.times(new CameraPose.Place(of(moved, CameraChannel.X), of(moved, CameraChannel.Y),
                of(moved, CameraChannel.Z), of(moved, CameraChannel.PAN), of(moved, CameraChannel.TILT),
                of(moved, CameraChannel.ROLL)).matrix());
    }

    private static double of(Map<CameraChannel, Double> moved, CameraChannel channel) {
        return moved.getOrDefault(channel, 0.0);
    }
}
