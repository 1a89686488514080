package freshsplice.server.renders;

import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Service;

/** What frames of a project's renders take, and room that is made by letting go of them. */
@Service
public class FrameRoom {
    /** @param frames that are kept; @param bytes that they take, with what they are drawn from */
    public record FramesOfRender(long id, String name, RenderRow.State state, long frames, long bytes) {
    }

    private final Store store;
    private final KeptFrames kept;
    private final RenderLog log;

    FrameRoom(Store store, KeptFrames kept, RenderLog log) {
        this.store = store;
        this.kept = kept;
        this.log = log;
    }

    /** Those that have any, the largest first. */
    public List<FramesOfRender> of(long projectId) {
        return store.where(RenderRow.class, "projectId", projectId).stream().map(r -> {
            KeptFrames.Size size = kept.size(r.id);
            return new FramesOfRender(r.id, r.name, r.state, size.frames(), size.bytes());
        }).filter(k -> k.frames() > 0).sorted(Comparator.comparingLong(FramesOfRender::bytes).reversed()).toList();
    }

    /** Lets go of frames; files that were written stay. @return bytes that are free again @throws Refused if one of the renders is under way */
    public long letGo(long projectId, List<Long> renderIds) throws IOException {
        List<RenderRow> rows = store.where(RenderRow.class, "projectId", projectId).stream().filter(r -> renderIds.contains(r.id)).toList();
        rows.stream().filter(r -> !r.state.isEnded()).findFirst().ifPresent(r -> {
            throw new Refused(r.name + " is under way: stop it first, then its frames can go");
        });
        long freed = 0;
        for (RenderRow row : rows) {
            freed += kept.size(row.id).bytes();
            kept.letGo(row.id);
            log.say(row.id, "its frames were let go");
        }
        return freed;
    }
}
