package freshsplice.core.camera;

import java.util.EnumMap;
import java.util.Map;

/**
 * A saved position of the free view.
 *
 * @param name  for people
 * @param place in the world
 * @param lens  mm
 * @param focus m
 */
public record Viewpoint(String name, CameraPose.Place place, double lens, double focus) {
    /** What a camera would be set to that stands there, in the world. */
    public Map<CameraChannel, Double> values() {
        Map<CameraChannel, Double> values = place.values();
        values.put(CameraChannel.LENS, lens);
        values.put(CameraChannel.FOCUS, focus);
        return new EnumMap<>(values);
    }
}
