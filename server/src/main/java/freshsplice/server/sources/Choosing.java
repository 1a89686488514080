package freshsplice.server.sources;

import freshsplice.core.cut.Track;
import freshsplice.core.sources.SourceNeed;
import freshsplice.core.words.Amounts;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.SourceChoiceRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts files into the places that ask for them: boards and sounds of shots that are made already. */
@Service
public class Choosing {
    private final Store store;
    private final Sources sources;
    private final CutStore cuts;
    private final MasterStore masters;
    private final Steps steps;

    Choosing(Store store, Sources sources, CutStore cuts, MasterStore masters, Steps steps) {
        this.store = store;
        this.sources = sources;
        this.cuts = cuts;
        this.masters = masters;
        this.steps = steps;
    }

    /** Everything that the cuts of a project show and sound, by kind and what a source is known by. */
    public Map<Track.Kind, Map<String, SourceNeed>> wanted(long projectId) {
        Map<Track.Kind, Map<String, SourceNeed>> wanted = new HashMap<>();
        for (Track.Kind kind : Track.Kind.values()) {
            wanted.put(kind, new LinkedHashMap<>());
        }
        for (CutRow row : store.where(CutRow.class, "projectId", projectId)) {
            Sources.wanted(cuts.read(row)).forEach((kind, list) ->
                    list.forEach(w -> wanted.get(kind).putIfAbsent(w.source().identity(), w)));
        }
        return wanted;
    }

    /** The same, in a transaction of its own. */
    @Transactional(readOnly = true)
    public Map<Track.Kind, Map<String, SourceNeed>> wantedNow(long projectId) {
        return wanted(projectId);
    }

    static List<SourceNeed> flat(Map<Track.Kind, Map<String, SourceNeed>> wanted) {
        List<SourceNeed> all = new ArrayList<>();
        wanted.values().forEach(m -> all.addAll(m.values()));
        return all;
    }

    /** Files that came fall into their places, as one step. @return how many places had none and have one now */
    public int fill(long projectId, Asker who) {
        return steps.make(projectId, "Give pictures and sound", who, () -> place(projectId, false));
    }

    /**
     * Chooses the file of a source, wherever it is used; as one step.
     *
     * @param files for each source, by what it is known by, its file; null says that none of the files is it
     */
    public void choose(long projectId, Track.Kind kind, Map<String, Long> files, Asker who) {
        String name = files.size() == 1 ? "Choose a " + kind.word() : "Choose " + files.size() + " files";
        steps.make(projectId, name, who, () -> {
            files.forEach((key, file) -> write(projectId, kind, key, file));
            store.entities().flush();
            place(projectId, true);
            return null;
        });
    }

    /** Shows newer files wherever those of before are shown or chosen, as one step. @param newer by the id of the file before */
    void replace(long projectId, Map<Long, MediaRow> newer, Asker who) {
        steps.make(projectId, "Show " + Amounts.of(newer.size(), "file", "files") + " written anew", who, () -> {
            masters.boards(projectId).stream().filter(b -> newer.containsKey(b.mediaId)).forEach(b -> b.mediaId = newer.get(b.mediaId).id);
            for (MasterRow master : store.where(MasterRow.class, "projectId", projectId)) {
                store.where(SoundRow.class, "masterId", master.id).stream().filter(s -> newer.containsKey(s.mediaId))
                        .forEach(s -> s.mediaId = newer.get(s.mediaId).id);
            }
            store.where(SourceChoiceRow.class, "projectId", projectId).stream().filter(c -> newer.containsKey(c.mediaId))
                    .forEach(c -> c.mediaId = newer.get(c.mediaId).id);
            return null;
        });
    }

    /** Leaves it to the finder again. */
    public void forget(long projectId, Track.Kind kind, String key, Asker who) {
        steps.make(projectId, "Find a " + kind.word() + " by itself again", who, () -> {
            choices(projectId, kind, key).forEach(store::remove);
            store.entities().flush();
            place(projectId, true);
            return null;
        });
    }

    private List<SourceChoiceRow> choices(long projectId, Track.Kind kind, String key) {
        return store.where(SourceChoiceRow.class, "projectId", projectId).stream()
                .filter(c -> c.kind == kind && c.sourceKey.equals(key)).toList();
    }

    private void write(long projectId, Track.Kind kind, String key, Long mediaId) {
        if (mediaId != null && store.get(MediaRow.class, mediaId).projectId != projectId) {
            throw new Refused("That file belongs to another project: give it to this one");
        }
        SourceChoiceRow row = choices(projectId, kind, key).stream().findFirst().orElse(null);
        if (row == null) {
            row = new SourceChoiceRow();
            row.projectId = projectId;
            row.kind = kind;
            row.sourceKey = key;
            store.add(row);
        }
        row.mediaId = mediaId;
    }

    /** @param exactly also what was found before is taken away where the finder says otherwise now */
    private int place(long projectId, boolean exactly) {
        Map<Track.Kind, Map<String, SourceNeed>> wanted = wanted(projectId);
        Finders finders = sources.finders(projectId, flat(wanted));
        int filled = 0;
        for (BoardRow board : masters.boards(projectId)) {
            Long now = settle(finders, wanted, Track.Kind.PICTURE, board.sourceKey, board.mediaId, exactly);
            filled += board.mediaId == null && now != null ? 1 : 0;
            board.mediaId = now;
        }
        long masterId = masters.of(projectId).map(m -> m.id).orElse(0L);
        for (SoundRow sound : store.where(SoundRow.class, "masterId", masterId)) {
            Long now = settle(finders, wanted, Track.Kind.SOUND, sound.sourceKey, sound.mediaId, exactly);
            filled += sound.mediaId == null && now != null ? 1 : 0;
            sound.mediaId = now;
        }
        return filled;
    }

    /** What a place shows: the surest there is; never nothing where something was, unless somebody chose so. */
    private static Long settle(Finders finders, Map<Track.Kind, Map<String, SourceNeed>> wanted, Track.Kind kind, String key,
                               Long before, boolean exactly) {
        SourceNeed one = key == null ? null : wanted.get(kind).get(key);
        if (one == null) {
            return before;
        }
        return finders.find(kind, one).filter(f -> exactly || before == null || !f.isDoubtful())
                .map(f -> f.file().id()).orElse(exactly ? null : before);
    }
}
