package freshsplice.server.sources;

import freshsplice.core.delivery.RenderName;
import freshsplice.core.sources.SourceNeed;
import freshsplice.server.media.MediaStore;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** A list that names our renders finds them by itself: their movies lie here already. */
@Component
class OwnRenders {
    private final Store store;
    private final MediaStore media;
    private final Folders folders;

    OwnRenders(Store store, MediaStore media, Folders folders) {
        this.store = store;
        this.media = media;
        this.folders = folders;
    }

    /** Makes the movie of every finished render that a source names known as a file of the project. */
    void link(long projectId, Collection<SourceNeed> pictures) throws IOException {
        Map<String, RenderRow> renders = new HashMap<>();
        for (RenderRow render : store.where(RenderRow.class, "projectId", projectId)) {
            if (render.state == RenderRow.State.DONE) {
                RenderName.parse(render.name).ifPresent(name -> renders.merge(name.toString(), render,
                        (a, b) -> a.grade.compareTo(b.grade) > 0 ? a : b));
            }
        }
        if (renders.isEmpty()) {
            return;
        }
        Set<String> known = new HashSet<>();
        store.where(MediaRow.class, "projectId", projectId).forEach(row -> known.add(row.path));
        for (SourceNeed wanted : pictures) {
            RenderRow render = wanted.names().flatMap(name -> RenderName.parse(name).stream()).map(name -> renders.get(name.toString()))
                    .filter(r -> r != null).findFirst().orElse(null);
            String path = render == null ? null : "renders/" + render.name + ".mp4";
            Path file = render == null ? null : folders.renders().resolve(render.file);
            if (path != null && known.add(path) && Files.exists(file)) {
                media.link(projectId, file, path);
            }
        }
    }
}
