package freshsplice.server.stores.shown;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.camera.Mount;
import freshsplice.core.camera.edit.KeyEdits;
import freshsplice.core.camera.edit.KeyPlace;
import freshsplice.core.camera.edit.SetValues;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.server.TestServer;
import freshsplice.server.WholeServer;
import freshsplice.server.masters.Masters;
import freshsplice.server.projects.NewProjects;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Snapshot;
import freshsplice.server.rows.Store;
import freshsplice.server.stages.CameraEdits;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.transaction.support.TransactionTemplate;

@ExtendWith(TestServer.class)
@WholeServer
class ShownRowsTest {
    private static final Asker ANNA = Asker.named("Anna");

    private final Store store = TestServer.bean(Store.class);
    private final ShownRows shown = TestServer.bean(ShownRows.class);
    private final TransactionTemplate transactions = TestServer.bean(TransactionTemplate.class);
    private final Snapshot snapshot = TestServer.bean(Snapshot.class);
    private long project;
    private long shot;
    private long other;

    @BeforeEach
    void twoShots() {
        project = transactions.execute(t -> store.add(NewProjects.plain("Shown")).id);
        TestServer.bean(Masters.class).begin(project, new Masters.FromNothing("Two", 2, 40, null, null), ANNA);
        List<ShotRow> rows = transactions.execute(t -> store.where(ShotRow.class, "projectId", project));
        shot = rows.get(0).id;
        other = rows.get(1).id;
    }

    private void call(String code) {
        TestServer.bean(Steps.class).make(project, "Call it " + code, ANNA, () -> {
            store.get(ShotRow.class, shot).code = code;
            return null;
        });
    }

    private ShotRow shown(long id) {
        return transactions.execute(t -> shown.shots(project, store.get(ProjectRow.class, project).seq).get(id));
    }

    private String shownCode() {
        return shown(shot).code;
    }

    @Test
    @DisplayName("what a step touched is read anew, undone too, and nothing else is")
    void touched() {
        String before = shownCode();
        ShotRow untouched = shown(other);
        call("sh9990");
        assertThat(shownCode()).isEqualTo("sh9990");
        TestServer.bean(Steps.class).undo(project, ANNA);
        assertThat(shownCode()).isEqualTo(before);
        assertThat(shown(other)).isSameAs(untouched);
    }

    private Camera camera(ShotRow of) {
        return transactions.execute(t -> shown.cameras(project, store.get(ProjectRow.class, project).seq).get(of.cameraId));
    }

    private void step(Runnable work) {
        TestServer.bean(Steps.class).make(project, "Film", ANNA, () -> {
            work.run();
            return null;
        });
    }

    @Test
    @DisplayName("of cameras those alone are read anew whose keys a step set, moved or took away")
    void cameras() {
        ShotRow filmed = shown(shot);
        Camera untouched = camera(shown(other));
        CameraEdits edits = TestServer.bean(CameraEdits.class);
        step(() -> edits.change(filmed.cameraId, camera -> SetValues.key(camera.with(CameraChannel.PAN, Channel.constant(12)), 1001,
                List.of(CameraChannel.PAN), Easing.STRAIGHT)));
        assertThat(camera(filmed).channels().get(CameraChannel.PAN).keys()).containsExactly(new Key(1001, 12, Easing.STRAIGHT));
        step(() -> edits.change(filmed.cameraId, camera -> KeyEdits.move(camera, Set.of(new KeyPlace(CameraChannel.PAN, 1001)), 4)));
        assertThat(camera(filmed).channels().get(CameraChannel.PAN).keys()).containsExactly(new Key(1005, 12, Easing.STRAIGHT));
        step(() -> edits.change(filmed.cameraId, camera -> KeyEdits.remove(camera, Set.of(new KeyPlace(CameraChannel.PAN, 1005)))));
        assertThat(camera(filmed).isKeyed()).isFalse();
        TestServer.bean(Steps.class).undo(project, ANNA);
        assertThat(camera(filmed).isKeyed()).isTrue();
        step(() -> edits.change(filmed.cameraId, camera -> camera.mounted(List.of(new Mount(1010L, null)))));
        assertThat(camera(filmed).mounts()).containsExactly(new Mount(1010L, null));
        step(() -> store.get(CameraRow.class, filmed.cameraId).name = "another name");
        assertThat(camera(filmed).name()).isEqualTo("another name");
        assertThat(camera(shown(other))).isSameAs(untouched);
    }

    @Test
    @DisplayName("while a step is not committed others see what was before it, and what is after it once it is")
    void notYetCommitted() {
        String before = shownCode();
        transactions.executeWithoutResult(t -> {
            call("sh9992");
            assertThat(CompletableFuture.supplyAsync(this::shownCode).join()).isEqualTo(before);
        });
        assertThat(shownCode()).isEqualTo("sh9992");
    }

    @Test
    @DisplayName("a step that came to nothing leaves what is shown as it was")
    void cameToNothing() {
        String before = shownCode();
        transactions.executeWithoutResult(t -> {
            call("sh9993");
            t.setRollbackOnly();
        });
        assertThat(shownCode()).isEqualTo(before);
        call("sh9994");
        assertThat(shownCode()).isEqualTo("sh9994");
    }

    @Test
    @DisplayName("a reader that began before a step keeps nothing of what it saw")
    void between() {
        String before = shownCode();
        snapshot.read(() -> {
            long seq = store.get(ProjectRow.class, project).seq;
            CompletableFuture.runAsync(() -> call("sh9991")).join();
            assertThat(shown.shots(project, seq).get(shot).code).as("as this transaction sees it").isEqualTo(before);
            return null;
        });
        assertThat(shownCode()).isEqualTo("sh9991");
    }
}
