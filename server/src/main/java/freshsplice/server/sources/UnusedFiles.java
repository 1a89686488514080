package freshsplice.server.sources;

import freshsplice.core.cut.Track;
import freshsplice.core.sources.SourceNeed;
import freshsplice.server.rows.MediaFrameRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Files that were given and that no cut, no board and no sound of a project uses. */
@Component
class UnusedFiles {
    private final Store store;
    private final Sources sources;
    private final Choosing choosing;
    private final MasterStore masters;

    UnusedFiles(Store store, Sources sources, Choosing choosing, MasterStore masters) {
        this.store = store;
        this.sources = sources;
        this.choosing = choosing;
        this.masters = masters;
    }

    /** In the order in which they were given. */
    List<MediaRow> of(long projectId) {
        Set<Long> used = used(projectId);
        boolean received = masters.of(projectId).isPresent();
        return store.where(MediaRow.class, "projectId", projectId).stream()
                .filter(m -> m.kind != MediaRow.Kind.RUN && !used.contains(m.id))
                // what no event names is laid under the picture when a first cut is received
                .filter(m -> received || m.kind != MediaRow.Kind.SOUND).toList();
    }

    private Set<Long> used(long projectId) {
        Map<Track.Kind, Map<String, SourceNeed>> wanted = choosing.wanted(projectId);
        Finders finders = sources.finders(projectId, Choosing.flat(wanted));
        Set<Long> used = new HashSet<>();
        wanted.forEach((kind, all) -> all.values().forEach(w -> used.add(finders.idOf(kind, w))));
        masters.boards(projectId).forEach(b -> used.add(b.mediaId));
        masters.of(projectId).ifPresent(m -> store.where(SoundRow.class, "masterId", m.id).forEach(s -> used.add(s.mediaId)));
        store.whereIn(MediaFrameRow.class, "mediaId", used.stream().filter(id -> id != null).toList())
                .forEach(f -> used.add(f.frameId));
        return used;
    }
}
