package freshsplice.server.masters;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Place;
import freshsplice.core.shot.Shot;
import freshsplice.server.masters.edit.NewClip;
import freshsplice.server.masters.edit.PlaceEdit;
import freshsplice.server.masters.edit.Surroundings;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ClipRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.Shots;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;

/** What edits of one master find in its project. */
final class AroundMaster implements Surroundings {
    private final MasterRow row;
    private final Store store;
    private final MasterStore masters;
    private final NewClips newClips;
    private final Shots shots;
    private final NestMaker nests;

    AroundMaster(MasterRow row, Store store, MasterStore masters, NewClips newClips, Shots shots, NestMaker nests) {
        this.row = row;
        this.store = store;
        this.masters = masters;
        this.newClips = newClips;
        this.shots = shots;
        this.nests = nests;
    }

    /** Makes a master of clips. */
    interface NestMaker {
        Master nest(MasterRow row, Master master, List<Place> places, String name);
    }

    @Override
    public Clip clip(NewClip wanted) {
        return newClips.of(row, wanted);
    }

    @Override
    public Master withNewShot(Master master, long at, long frames) {
        return newClips.withShot(row, master, at, frames);
    }

    @Override
    public Master forked(Master master, Place clip) {
        return newClips.forked(row, master, clip);
    }

    @Override
    public CopiedClips copied(List<Long> clips) {
        List<ClipRow> rows = store.whereIn(ClipRow.class, "id", clips);
        if (rows.isEmpty()) {
            throw new Refused(PlaceEdit.COPY_AGAIN);
        }
        MasterRow from = store.get(MasterRow.class, rows.get(0).masterId);
        ProjectRow project = store.get(ProjectRow.class, from.projectId);
        if (from.projectId != row.projectId && rows.stream().anyMatch(r -> r.shotId != null || r.nestedId != null)) {
            throw new Refused("These clips show shots of \"" + project.name + "\": clips are pasted within a project");
        }
        return new CopiedClips(clips(rows), project.rate);
    }

    private List<Clip> clips(List<ClipRow> rows) {
        Set<Long> wanted = rows.stream().map(r -> r.id).collect(Collectors.toSet());
        return rows.stream().map(r -> r.masterId).distinct()
                .flatMap(id -> masters.read(store.get(MasterRow.class, id)).clips().stream())
                .filter(s -> wanted.contains(s.id())).toList();
    }

    @Override
    public LongFunction<Master> nested() {
        return masters.nested();
    }

    @Override
    public Shot shot(long id) {
        ShotRow shot = shots.find(id);
        return shot == null ? null : MasterStore.shot(shot);
    }

    @Override
    public Master nest(Master master, List<Place> places, String name) {
        return nests.nest(row, master, places, name);
    }
}
