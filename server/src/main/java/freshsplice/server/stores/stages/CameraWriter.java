package freshsplice.server.stores.stages;

import freshsplice.core.camera.Aim;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.LayerUse;
import freshsplice.core.camera.Mount;
import freshsplice.core.motion.Key;
import freshsplice.server.rows.CameraKeyRow;
import freshsplice.server.rows.CameraLayerRow;
import freshsplice.server.rows.CameraMountRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.Store;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Writes a camera into its rows. Runs inside a step. */
final class CameraWriter {
    private final Store store;
    private final CameraRow row;

    CameraWriter(Store store, CameraRow row) {
        this.store = store;
        this.row = row;
    }

    void write(Camera camera) {
        row.name = camera.name();
        row.backWidth = camera.back().widthMm();
        row.backHeight = camera.back().heightMm();
        row.locked = camera.locked();
        for (CameraChannel channel : CameraChannel.values()) {
            // what is keyed has a value of its own as well, which it is left with when its keys go
            row.setPlain(channel, camera.isTouched(channel) ? (Double) camera.channel(channel).plain() : null);
        }
        Aim aim = camera.aim();
        row.aimItem = aim == null ? null : aim.itemId();
        row.aimX = aim == null ? 0 : aim.x();
        row.aimY = aim == null ? 0 : aim.y();
        row.aimZ = aim == null ? 0 : aim.z();
        row.aimLag = aim == null ? 0 : aim.lag();
        Aim focus = camera.focusOn();
        row.focusItem = focus == null ? null : focus.itemId();
        row.focusX = focus == null ? 0 : focus.x();
        row.focusY = focus == null ? 0 : focus.y();
        row.focusZ = focus == null ? 0 : focus.z();
        writeKeys(camera);
        writeMounts(camera.mounts());
        writeLayers(camera.layers());
    }

    private void writeKeys(Camera camera) {
        Map<CameraChannel, List<CameraKeyRow>> there = store.where(CameraKeyRow.class, "cameraId", row.id).stream()
                .collect(Collectors.groupingBy(k -> k.channel));
        for (CameraChannel channel : CameraChannel.values()) {
            Map<Long, CameraKeyRow> byFrame = there.getOrDefault(channel, List.of()).stream()
                    .collect(Collectors.toMap(k -> k.frame, Function.identity()));
            for (Key key : camera.channel(channel).keys()) {
                CameraKeyRow known = byFrame.remove(key.frame());
                if (known == null) {
                    known = new CameraKeyRow();
                    known.cameraId = row.id;
                    known.channel = channel;
                    known.set(key);
                    store.add(known);
                } else {
                    known.set(key);
                }
            }
            byFrame.values().forEach(store::remove);
        }
    }

    private void writeMounts(List<Mount> mounts) {
        List<CameraMountRow> there = store.where(CameraMountRow.class, "cameraId", row.id);
        for (Mount mount : mounts) {
            CameraMountRow known = there.stream().filter(m -> Objects.equals(m.fromFrame, mount.from())).findFirst()
                    .orElseGet(() -> {
                        CameraMountRow fresh = new CameraMountRow();
                        fresh.cameraId = row.id;
                        fresh.fromFrame = mount.from();
                        return store.add(fresh);
                    });
            known.itemId = mount.itemId();
        }
        there.stream().filter(m -> mounts.stream().noneMatch(kept -> Objects.equals(kept.from(), m.fromFrame))).forEach(store::remove);
    }

    private void writeLayers(List<LayerUse> uses) {
        Map<Long, CameraLayerRow> there = store.where(CameraLayerRow.class, "cameraId", row.id).stream()
                .collect(Collectors.toMap(u -> u.id, Function.identity()));
        for (LayerUse use : uses) {
            CameraLayerRow known = there.remove(use.id());
            CameraLayerRow kept = known == null ? new CameraLayerRow() : known;
            kept.cameraId = row.id;
            kept.layerId = use.layer().id();
            kept.fromFrame = use.from();
            kept.frames = use.frames();
            kept.strength = use.strength();
            kept.switchedOn = use.on();
            if (known == null) {
                store.add(kept);
            }
        }
        there.values().forEach(store::remove);
    }
}
