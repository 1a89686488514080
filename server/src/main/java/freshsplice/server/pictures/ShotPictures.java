package freshsplice.server.pictures;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.FilmBack;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.motion.Channel;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.render.PainterThread;
import freshsplice.render.Pixels;
import freshsplice.render.StagePainter;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.rows.ViewpointRow;
import freshsplice.server.settings.Folders;
import freshsplice.server.stages.Viewpoints;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import freshsplice.server.stores.stages.StageStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What a shot's camera, or a viewpoint, sees at a frame, small. */
@Component
public class ShotPictures implements DisposableBean {
    public static final int WIDTH = 240;

    /**
     * What is to be drawn.
     *
     * @param height in pixels, of the project's own shape
     * @param digest of all that it shows: equal digests, equal pictures
     */
    public record PictureOrder(Stage stage, Bake.Frame frame, int height, String digest) {
    }

    private final Store store;
    private final StageStore stages;
    private final CameraStore cameras;
    private final Folders folders;
    /** One after another, on the thread that the drawing context belongs to, behind everything else. */
    private final PainterThread drawer = new PainterThread("small pictures", Thread.MIN_PRIORITY);

    ShotPictures(Store store, StageStore stages, CameraStore cameras, Folders folders) {
        this.store = store;
        this.stages = stages;
        this.cameras = cameras;
        this.folders = folders;
    }

    @Transactional(readOnly = true)
    public PictureOrder wanted(long shotId, Rational frame) {
        ShotRow row = store.get(ShotRow.class, shotId);
        Shot shot = MasterStore.shot(row);
        Camera camera = cameras.camera(row.cameraId);
        Stage stage = stages.stage(row.sceneId);
        return wanted(shot, camera, stage, frame, store.get(ProjectRow.class, row.projectId));
    }

    /** What a camera sees at the first frame of its first shot, or at action frame 0 where it films none. */
    @Transactional(readOnly = true)
    public PictureOrder camera(long id) {
        CameraRow row = store.get(CameraRow.class, id);
        ProjectRow project = store.get(ProjectRow.class, store.get(SceneRow.class, row.sceneId).projectId);
        Shot shot = store.where(ShotRow.class, "cameraId", id).stream().findFirst().map(MasterStore::shot)
                .orElseGet(() -> new Shot(0, row.name, FrameRange.of(0, 1), 0, 0, null));
        return wanted(shot, cameras.camera(id), stages.stage(row.sceneId), Rational.of(shot.cutRange().in()), project);
    }

    /** What a viewpoint sees of its set at an action frame. */
    @Transactional(readOnly = true)
    public PictureOrder viewpoint(long id, long actionFrame) {
        ViewpointRow kept = store.get(ViewpointRow.class, id);
        ProjectRow project = store.get(ProjectRow.class, store.get(SceneRow.class, kept.sceneId).projectId);
        Camera camera = Camera.named(kept.name, new FilmBack(project.backWidth, project.backHeight))
                .with(Viewpoints.viewpoint(kept).values().entrySet().stream()
                        .collect(Collectors.toMap(Map.Entry::getKey, v -> Channel.constant(v.getValue()))));
        Shot standing = new Shot(0, kept.name, FrameRange.of(actionFrame, actionFrame + 1), 0, 0, null);
        return wanted(standing, camera, stages.stage(kept.sceneId), Rational.of(actionFrame), project);
    }

    private static PictureOrder wanted(Shot shot, Camera camera, Stage stage, Rational frame, ProjectRow project) {
        int height = Math.max(16, (int) Math.round(WIDTH * (double) project.pictureHeight / project.pictureWidth / 2) * 2);
        Bake.Frame seen = Bake.of(shot, camera, stage, new RenderRange(frame, Rational.ONE, 1), WIDTH / (double) height).frame(0);
        StringBuilder shown = new StringBuilder();
        for (Item item : stage.items()) {
            item.geometry().parts().forEach(shown::append);
        }
        return new PictureOrder(stage, seen, height, Fingerprint.digest(shown + Fingerprint.digest(seen.view())
                + Fingerprint.digest(seen.projection()) + Fingerprint.digest(seen.places())));
    }

    /** The picture's file, drawn now where it is not there. */
    public Path picture(PictureOrder wanted) throws IOException {
        Path file = folders.proxies().resolve("shot_" + wanted.digest() + ".jpg");
        if (Files.exists(file)) {
            return file;
        }
        drawer.draw("A small picture", painter -> draw(painter, wanted, file));
        return file;
    }

    private Void draw(StagePainter painter, PictureOrder wanted, Path file) throws IOException {
        painter.size(WIDTH, wanted.height());
        painter.stage(wanted.stage());
        Pixels pixels = new Pixels(WIDTH, wanted.height(), false, false);
        painter.draw(wanted.frame().view(), wanted.frame().projection(), wanted.frame().places(), null, pixels.bytes());
        Path half = Files.createTempFile(folders.arriving(), "shot", null);
        Files.write(half, pixels.encoded("jpg"));
        Files.move(half, file, StandardCopyOption.ATOMIC_MOVE);
        return null;
    }

    @Override
    public void destroy() {
        drawer.close();
    }
}
