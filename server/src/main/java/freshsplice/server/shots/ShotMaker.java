package freshsplice.server.shots;

import freshsplice.core.cut.Track;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.core.sources.SourceNeed;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.CameraRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Finders;
import freshsplice.server.stores.masters.MasterStore;
import org.springframework.stereotype.Component;

/** Makes shots and cameras. Runs inside a step. */
@Component
public class ShotMaker {
    private final Store store;
    private final MasterStore masters;

    ShotMaker(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    /** A camera of the scene's with the project's film back. @return its id */
    public long camera(ProjectRow project, long sceneId, String name) {
        CameraRow camera = new CameraRow();
        camera.sceneId = sceneId;
        camera.name = name;
        camera.backWidth = project.backWidth;
        camera.backHeight = project.backHeight;
        return store.add(camera).id;
    }

    /**
     * A shot with a board of its own.
     *
     * @param wanted  what it shows in the cut; null where it has no source
     * @param finders finds that; null where there is nothing to find
     */
    public ShotRow shot(ProjectRow project, long sceneId, long cameraId, Shot shot, SourceNeed wanted, Finders finders) {
        ShotRow row = new ShotRow();
        row.projectId = project.id;
        row.sceneId = sceneId;
        row.cameraId = cameraId;
        masters.fill(row, shot);
        store.add(row);
        BoardRow board = new BoardRow();
        board.shotId = row.id;
        board.sourceName = "";
        show(board, shot, wanted, finders);
        store.add(board);
        return row;
    }

    /** Shows another shot's board with a shot that has one of its own already. */
    public void sameBoard(long fromShot, long shotId) {
        store.where(BoardRow.class, "shotId", fromShot).stream().findFirst().ifPresent(from -> {
            BoardRow board = store.where(BoardRow.class, "shotId", shotId).get(0);
            board.sourceName = from.sourceName;
            board.sourceKey = from.sourceKey;
            board.mediaId = from.mediaId;
            board.sourceBegins = from.sourceBegins;
            board.beginsTold = from.beginsTold;
        });
    }

    /** What a shot's board shows from now on: see {@link #shot}. */
    public void show(BoardRow board, Shot shot, SourceNeed wanted, Finders finders) {
        if (wanted == null) {
            board.mediaId = null;
            return;
        }
        board.sourceName = wanted.source().label();
        board.sourceKey = wanted.source().identity();
        board.mediaId = finders.idOf(Track.Kind.PICTURE, wanted);
        board.beginsTold = wanted.source().start() != null;
        board.sourceBegins = MediaFrames.begins(wanted.source(),
                shot.anchor().sourceAt(Rational.of(shot.cutRange().in())),
                shot.anchor().sourceAt(Rational.of(shot.cutRange().last())));
    }
}
