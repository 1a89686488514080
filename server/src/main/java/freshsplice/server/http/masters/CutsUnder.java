package freshsplice.server.http.masters;

import freshsplice.core.master.Clip;
import freshsplice.core.master.NestClock;
import freshsplice.server.rows.ClipRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.MasterStore;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The cut under a master that is held against none itself: that of the master that nests it, on its own clock. It is
 * there to be seen; nothing is compared with it.
 */
@Component
public class CutsUnder {
    /** @param outer the master that is held against it */
    record Under(CutRow cut, MasterRow outer, NestClock clock) {
    }

    private final Store store;
    private final MasterStore masters;
    private final CutStore cuts;
    private final CutViews views;

    CutsUnder(Store store, MasterStore masters, CutStore cuts, CutViews views) {
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.views = views;
    }

    /** The nearest on the way out; empty where none is held against a cut or every nest has another speed. */
    Optional<Under> of(MasterRow inner) {
        return inner.cutId != null ? Optional.empty() : of(inner, null, new HashSet<>());
    }

    private Optional<Under> of(MasterRow row, NestClock below, Set<Long> looked) {
        List<Long> outer = store.where(ClipRow.class, "nestedId", row.id).stream().map(s -> s.masterId).distinct()
                .sorted().filter(looked::add).toList();
        for (long id : outer) {
            MasterRow nesting = store.get(MasterRow.class, id);
            for (Clip clip : masters.read(nesting).clips()) {
                boolean nests = clip.content() instanceof Clip.Content.OfMaster m && m.masterId() == row.id;
                NestClock own = nests ? NestClock.of(clip).orElse(null) : null;
                NestClock clock = own == null || below == null ? own : own.inside(below);
                Optional<Under> found = clock == null || clock.seen().isEmpty() ? Optional.empty()
                        : nesting.cutId != null ? Optional.of(new Under(store.get(CutRow.class, nesting.cutId), nesting, clock))
                        : of(nesting, clock, looked);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }

    /** How the window shows it: id 0, since nothing is held against it. */
    MasterView.Cut shown(MasterRow row) {
        return of(row).map(u -> new MasterView.Cut(0, u.cut.version, u.outer.name, views.stamp(u.cut, cuts.clips(u.cut))
                + " " + u.clock.shift() + " " + u.clock.seen())).orElse(new MasterView.Cut(0, 0, "", ""));
    }

    /** Its clips on the nested master's clock; none where there is no cut under it. */
    @Transactional(readOnly = true)
    public CutClips clips(long masterId) {
        return of(store.get(MasterRow.class, masterId)).map(u -> {
            CutClips all = views.of(u.cut);
            return new CutClips(all.id(), all.version(), all.name(), all.clips().stream()
                    .map(p -> p.shiftedBy(u.clock.shift()))
                    .filter(p -> p.out() > u.clock.seen().in() && p.in() < u.clock.seen().out()).toList());
        }).orElse(new CutClips(0, 0, "", List.of()));
    }
}
