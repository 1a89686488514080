package freshsplice.server.shots;

import freshsplice.core.board.BoardFit;
import freshsplice.core.camera.Camera;
import freshsplice.server.refusals.Refused;
import freshsplice.server.refusals.ToBeConfirmed;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Edits of shots themselves, each as one step. */
@Service
public class ShotEdits {
    /** So far from its frames an action is some other scene's. */
    private static final long FARTHEST = 10_000_000;

    private final Store store;
    private final Steps steps;
    private final MasterStore masters;
    private final CameraStore cameras;

    ShotEdits(Store store, Steps steps, MasterStore masters, CameraStore cameras) {
        this.store = store;
        this.steps = steps;
        this.masters = masters;
        this.cameras = cameras;
    }

    /**
     * @return how many shots it changed
     * @throws freshsplice.core.refusal.Refusal if it cannot be done; says why
     */
    public int make(long shotId, ShotEdit edit, Asker who) {
        ShotRow asked = store.get(ShotRow.class, shotId);
        return steps.make(asked.projectId, name(asked, edit), who, () -> {
            ShotRow shot = store.get(ShotRow.class, shotId);
            return edit instanceof ShotEdit.FitBoard fit ? fit(shot, fit) : place(shot, (ShotEdit.PlaceOnAction) edit, who);
        });
    }

    private static String name(ShotRow shot, ShotEdit edit) {
        return edit instanceof ShotEdit.FitBoard fit
                ? fit.all() ? "Fit all boards of the shape of " + shot.code + "'s" : "Fit the board of " + shot.code
                : "Place " + shot.code + " on the action";
    }

    private int fit(ShotRow shot, ShotEdit.FitBoard edit) {
        BoardFit fit = edit.fit();
        List<BoardRow> own = store.where(BoardRow.class, "shotId", shot.id).stream().filter(b -> b.mediaId != null).toList();
        if (own.isEmpty()) {
            throw new Refused(shot.code + " has no picture for its board yet: give it one in Sources first");
        }
        List<BoardRow> fitted = edit.all() ? ofOneShape(shot.projectId, store.get(MediaRow.class, own.get(0).mediaId)) : own;
        fitted.forEach(board -> board.lie(fit));
        return (int) fitted.stream().map(b -> b.shotId).distinct().count();
    }

    private List<BoardRow> ofOneShape(long projectId, MediaRow like) {
        List<BoardRow> all = masters.boards(projectId).stream().filter(b -> b.mediaId != null).toList();
        Map<Long, MediaRow> media = store.whereIn(MediaRow.class, "id", all.stream().map(b -> b.mediaId).distinct().toList()).stream()
                .collect(Collectors.toMap(m -> m.id, Function.identity()));
        return all.stream().filter(b -> {
            MediaRow of = media.get(b.mediaId);
            return of != null && of.width > 0 && BoardFit.sameShape(like.width, like.height, of.width, of.height);
        }).toList();
    }

    private int place(ShotRow shot, ShotEdit.PlaceOnAction edit, Asker who) {
        if (Math.abs(edit.action()) > FARTHEST) {
            throw new Refused("A shot begins at an action frame up to " + FARTHEST + ", not " + edit.action());
        }
        Camera camera = cameras.camera(shot.cameraId);
        // what follows the action would be moved by it
        if (!who.confirmed() && camera.locked() && (camera.aim() != null || camera.focusOn() != null || !camera.mounts().isEmpty())) {
            throw new ToBeConfirmed("\"" + camera.name() + "\" is locked because it is finished, and follows the action: its picture would change");
        }
        shot.actionOffset = MasterStore.shot(shot).offsetForFirst(edit.action());
        return 1;
    }
}
