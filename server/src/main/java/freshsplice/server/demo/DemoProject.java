package freshsplice.server.demo;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.delivery.Grade;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.time.FrameRate;
import freshsplice.demo.DemoStage;
import freshsplice.demo.LowWater;
import freshsplice.server.cuts.Intake;
import freshsplice.server.media.MediaStore;
import freshsplice.server.projects.NewProjects;
import freshsplice.server.renders.Recipes;
import freshsplice.server.renders.RenderRequests;
import freshsplice.server.rows.ItemRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.CameraEdits;
import freshsplice.server.stages.SetEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** "Low Water", as a team would have it after two weeks: received, partly staged, partly rendered, a newer cut waiting. */
@Component
class DemoProject {
    private static final Logger LOG = LoggerFactory.getLogger(DemoProject.class);
    private static final String NAME = "Low Water";
    private static final Asker LAYOUT = Asker.named("Layout");
    /** Seconds that the demo's opening waits for its first two renders. */
    private static final int PATIENCE = 60;

    private final Store store;
    private final MediaStore media;
    private final Intake intake;
    private final MasterStore masters;
    private final CameraEdits cameras;
    private final SetEdits set;
    private final DemoCameras cameraWork;
    private final Steps steps;
    private final RenderRequests requests;
    private final DemoEdits edits;
    private final TransactionTemplate transactions;
    private final boolean wanted;

    DemoProject(Store store, MediaStore media, Intake intake, MasterStore masters, CameraEdits cameras, SetEdits set, DemoCameras cameraWork, Steps steps,
                RenderRequests requests, DemoEdits edits, TransactionTemplate transactions,
                @Value("${fresh-splice.demo:false}") boolean wanted) {
        this.store = store;
        this.media = media;
        this.intake = intake;
        this.masters = masters;
        this.cameras = cameras;
        this.set = set;
        this.cameraWork = cameraWork;
        this.steps = steps;
        this.requests = requests;
        this.edits = edits;
        this.transactions = transactions;
        this.wanted = wanted;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(100)
    void makeWhereMissing() throws IOException {
        boolean there = store.where(ProjectRow.class, "name", NAME).stream().findAny().isPresent();
        if (!wanted || there) {
            return;
        }
        long projectId = project();
        for (Resource file : resources("boards/*.png", "sound/*.ogg")) {
            media.add(projectId, keep(file));
        }
        long cutId = look(projectId, 1);
        intake.receive(cutId, Asker.named("Edit room"));
        buildSet(projectId);
        stageCameras(projectId);
        cameraWork.work(projectId, shots(projectId));
        try {
            goOn(projectId);
        } catch (RuntimeException e) {
            LOG.warn("The demo's project is not complete: {}", e.getMessage());
        }
    }

    private long project() {
        return transactions.execute(status -> {
            ProjectRow row = store.add(NewProjects.plain(NAME));
            SceneRow scene = new SceneRow();
            scene.projectId = row.id;
            scene.code = "12";
            scene.name = LowWater.SCENE;
            store.add(scene);
            return row.id;
        });
    }

    private long look(long projectId, int version) throws IOException {
        Resource list = resources("cuts/*_0" + version + ".edl").get(0);
        return intake.look(projectId, keep(list), FrameRate.FPS_24).id;
    }

    private MediaStore.StoredFile keep(Resource file) throws IOException {
        try (InputStream in = file.getInputStream()) {
            return media.keep(file.getFilename(), in);
        }
    }

    private static List<Resource> resources(String... patterns) throws IOException {
        List<Resource> found = new ArrayList<>();
        for (String pattern : patterns) {
            found.addAll(List.of(new PathMatchingResourcePatternResolver().getResources("classpath:demo/" + pattern)));
        }
        return found;
    }

    private void buildSet(long projectId) {
        steps.make(projectId, "Build the set", LAYOUT, () -> {
            SceneRow scene = store.where(SceneRow.class, "projectId", projectId).get(0);
            int place = 0;
            for (LowWater.Thing thing : LowWater.set()) {
                ItemRow row = new ItemRow();
                row.sceneId = scene.id;
                row.place = place++;
                row.name = thing.name();
                row.shape = thing.shape();
                row.colour = thing.colour();
                row.width = thing.width();
                row.height = thing.height();
                row.depth = thing.depth();
                store.add(row);
                set.change(List.of(row), item -> item.with(DemoStage.channels(thing)));
            }
            return null;
        });
    }

    private static Camera keyed(Camera camera, long frame, Map<CameraChannel, Double> values, Easing easing) {
        Camera with = camera;
        for (Map.Entry<CameraChannel, Double> value : values.entrySet()) {
            with = with.with(value.getKey(), with.channel(value.getKey()).withKey(new Key(frame, value.getValue(), easing)));
        }
        return with;
    }

    private List<ShotRow> shots(long projectId) {
        return masters.shotRows(projectId).values().stream().sorted(Comparator.comparing(s -> s.code)).toList();
    }

    private void stageCameras(long projectId) {
        List<ShotRow> rows = shots(projectId);
        for (int i = 0; i < rows.size(); i++) {
            LowWater.Shot shot = LowWater.shots().get(i);
            ShotRow row = rows.get(i);
            if (shot.move() != null) {
                steps.make(projectId, "Stage " + row.code, LAYOUT, () -> {
                    double[] m = shot.move();
                    Easing easing = shot.follows() ? Easing.STRAIGHT : Easing.EASED;
                    cameras.change(row.cameraId, camera -> keyed(keyed(camera, row.cutIn, pose(shot.from(), shot.aim(), shot.lens()),
                            easing), row.cutOut - 1, pose(new double[] {m[0], m[1], m[2]}, new double[] {m[3], m[4], m[5]}, m[6]), easing));
                    return null;
                });
            }
        }
    }

    static Map<CameraChannel, Double> pose(double[] from, double[] aim, double lens) {
        double[] turned = LowWater.look(from, aim);
        double dx = aim[0] - from[0];
        double dy = aim[1] - from[1];
        double dz = aim[2] - from[2];
        return new EnumMap<>(Map.of(CameraChannel.X, from[0], CameraChannel.Y, from[1], CameraChannel.Z, from[2],
                CameraChannel.PAN, turned[0], CameraChannel.TILT, turned[1], CameraChannel.LENS, lens,
                CameraChannel.FOCUS, Math.sqrt(dx * dx + dy * dy + dz * dz)));
    }

    /**
     * All that somebody who opens it finds is done now: two renders that the camera was moved after, seams that were tried
     * elsewhere, a newer cut. The other renders were asked for before and come quietly.
     */
    private void goOn(long projectId) throws IOException {
        List<ShotRow> rows = shots(projectId);
        List<Long> movedAfter = DemoEdits.MOVED_AFTER.stream().map(i -> rows.get(i).id).toList();
        List<Long> staged = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            if (LowWater.shots().get(i).move() != null && !movedAfter.contains(rows.get(i).id)) {
                staged.add(rows.get(i).id);
            }
        }
        RenderRequests.How how = new RenderRequests.How(Grade.DRAFT, Recipes.plain(640, 360, true, false), null);
        List<Long> first = requests.ask(projectId, new RenderRequests.RenderOrder(movedAfter, RenderAsk.CLIPS, false, false, null, how), LAYOUT);
        requests.ask(projectId, new RenderRequests.RenderOrder(staged, RenderAsk.CLIPS, false, false, null, how), LAYOUT);
        await(first);
        edits.goOn(projectId, rows);
        intake.receive(look(projectId, 2), Asker.named("Edit room"));
    }

    /** Where they do not come in time, or the machine cannot draw, the demo opens without them. */
    private void await(List<Long> renders) {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE);
        try {
            while (System.nanoTime() < until && renders.stream().map(id -> store.get(RenderRow.class, id).state).anyMatch(
                    s -> s == RenderRow.State.WAITING || s == RenderRow.State.DRAWING)) {
                Thread.sleep(100);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
