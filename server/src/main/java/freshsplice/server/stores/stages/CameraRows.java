package freshsplice.server.stores.stages;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.camera.MotionLayer;
import freshsplice.core.camera.Mount;
import freshsplice.core.motion.Channel;
import freshsplice.server.rows.CameraKeyRow;
import freshsplice.server.rows.CameraLayerRow;
import freshsplice.server.rows.CameraMountRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.KeyRow;
import freshsplice.server.rows.MotionLayerRow;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** What rows of a camera say. */
public final class CameraRows {
    private CameraRows() {
    }

    static Camera camera(CameraRow row, List<CameraKeyRow> keys, List<CameraMountRow> mounts, List<CameraLayerRow> uses,
                         Map<Long, MotionLayerRow> layers) {
        Map<CameraChannel, Channel> channels = new EnumMap<>(CameraChannel.class);
        Map<CameraChannel, List<CameraKeyRow>> keysOf = keys.stream().collect(Collectors.groupingBy(k -> k.channel));
        for (CameraChannel channel : CameraChannel.values()) {
            Double plain = row.plain(channel);
            if (plain != null || keysOf.containsKey(channel)) {
                channels.put(channel, new Channel(keysOf.getOrDefault(channel, List.of()).stream().map(KeyRow::key).toList(),
                        plain == null ? channel.plain() : plain));
            }
        }
        return new Camera(row.name, new FilmBack(row.backWidth, row.backHeight), channels,
                row.aimItem == null ? null : new Aim(row.aimItem, row.aimX, row.aimY, row.aimZ, row.aimLag),
                row.focusItem == null ? null : new Aim(row.focusItem, row.focusX, row.focusY, row.focusZ, 0),
                mounts.stream().map(m -> new Mount(m.fromFrame, m.itemId)).toList(),
                uses.stream().filter(u -> layers.containsKey(u.layerId)).map(u -> use(u, layers.get(u.layerId))).toList(), row.locked);
    }

    private static LayerUse use(CameraLayerRow row, MotionLayerRow layer) {
        return new LayerUse(row.id, layer(layer), row.fromFrame, row.frames, row.strength, row.switchedOn);
    }

    public static MotionLayer layer(MotionLayerRow row) {
        Map<CameraChannel, Double> amounts = new EnumMap<>(CameraChannel.class);
        put(amounts, CameraChannel.X, row.x);
        put(amounts, CameraChannel.Y, row.y);
        put(amounts, CameraChannel.Z, row.z);
        put(amounts, CameraChannel.PAN, row.pan);
        put(amounts, CameraChannel.TILT, row.tilt);
        put(amounts, CameraChannel.ROLL, row.roll);
        return new MotionLayer(row.id, row.name, MotionLayer.Sway.parse(row.sway), amounts);
    }

    /** Writes what a layer says into its row. */
    public static void fill(MotionLayerRow row, MotionLayer layer) {
        row.name = layer.name();
        row.sway = layer.sway().word();
        row.x = layer.amounts().get(CameraChannel.X);
        row.y = layer.amounts().get(CameraChannel.Y);
        row.z = layer.amounts().get(CameraChannel.Z);
        row.pan = layer.amounts().get(CameraChannel.PAN);
        row.tilt = layer.amounts().get(CameraChannel.TILT);
        row.roll = layer.amounts().get(CameraChannel.ROLL);
    }

    private static void put(Map<CameraChannel, Double> amounts, CameraChannel channel, Double amount) {
        if (amount != null) {
            amounts.put(channel, amount);
        }
    }
}
