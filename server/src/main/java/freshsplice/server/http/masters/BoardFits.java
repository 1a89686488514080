package freshsplice.server.http.masters;

import freshsplice.core.board.BoardFit;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Where boards lie over the delivery frame that somebody laid otherwise than fitted whole. */
@Component
class BoardFits {
    private final Store store;

    BoardFits(Store store) {
        this.store = store;
    }

    /** By the shot's id. */
    Map<Long, MasterView.Fit> of(ProjectRow project, Collection<BoardRow> boards) {
        List<BoardRow> laid = boards.stream().filter(b -> b.mediaId != null && !b.fit().equals(BoardFit.PLAIN)).toList();
        Map<Long, MediaRow> media = store.whereIn(MediaRow.class, "id", laid.stream().map(b -> b.mediaId).distinct().toList()).stream()
                .collect(Collectors.toMap(m -> m.id, Function.identity()));
        Map<Long, MasterView.Fit> fits = new HashMap<>();
        for (BoardRow board : laid) {
            MediaRow of = media.get(board.mediaId);
            if (of != null && of.width > 0 && of.height > 0) {
                fits.put(board.shotId, fit(board.fit(), of, project));
            }
        }
        return fits;
    }

    private static MasterView.Fit fit(BoardFit fit, MediaRow media, ProjectRow project) {
        BoardFit.Place place = fit.in(media.width / (double) media.height, project.pictureWidth / (double) project.pictureHeight);
        return new MasterView.Fit(fit, place);
    }
}
