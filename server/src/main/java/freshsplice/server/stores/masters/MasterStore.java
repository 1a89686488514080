package freshsplice.server.stores.masters;

import freshsplice.core.conform.FirstMaster;
import freshsplice.core.master.Clip;
import freshsplice.core.master.CutRanges;
import freshsplice.core.master.Master;
import freshsplice.core.master.Track;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.TimeMap;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MasterTrackRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotAliasRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.ReadOnce;
import freshsplice.server.steps.Room;
import freshsplice.server.steps.TouchLog;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Masters and shots as rows and as the core's types. */
@Component
public class MasterStore {
    private static final int LONGEST_NAME = 500;
    /** About what a clip takes in memory, in bytes. */
    private static final int BYTES_A_CLIP = 500;
    private static final long MOST_BYTES = 64L << 20;

    private final Store store;
    private final JdbcTemplate jdbc;
    private final ClipTable clips;
    private final ReadOnce<Long, Master> known;

    MasterStore(Store store, JdbcTemplate jdbc, ClipTable clips, TouchLog touched) {
        this.known = new ReadOnce<>(touched, EnumSet.of(Room.TRACKS, Room.RULES), MOST_BYTES, MasterStore::bytes);
        this.clips = clips;
        this.store = store;
        this.jdbc = jdbc;
    }

    /** The project's first master, the one that cuts are received into; empty while there is none. */
    public Optional<MasterRow> of(long projectId) {
        return all(projectId).stream().findFirst();
    }

    /**
     * The master that a request is about.
     *
     * @param masterId null for the project's first
     * @return empty where the project has none
     * @throws NotThere if there is no such master in the project
     */
    public Optional<MasterRow> asked(long projectId, Long masterId) {
        if (masterId == null) {
            return of(projectId);
        }
        MasterRow row = store.get(MasterRow.class, masterId);
        if (row.projectId != projectId) {
            throw new NotThere("That master belongs to another project");
        }
        return Optional.of(row);
    }

    /** Every master of a project, in the order in which they were made. */
    public List<MasterRow> all(long projectId) {
        return store.where(MasterRow.class, "projectId", projectId);
    }

    /** A master as it stands. One that nobody edited since it was last read is not read again. */
    public Master read(MasterRow row) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        if (WrittenMasters.here().contains(row.id)) {
            return readAnew(row, project);
        }
        return known.of(project, row.id, () -> readAnew(row, project));
    }

    private static int bytes(Master master) {
        return (master.tracks().stream().mapToInt(l -> l.clips().size()).sum() + 1) * BYTES_A_CLIP;
    }

    /** A master as its rows are inside the transaction under way; not kept. @throws freshsplice.core.refusal.Refusal if clips lie over each other */
    public Master fresh(MasterRow row) {
        return readAnew(row, store.get(ProjectRow.class, row.projectId));
    }

    private Master readAnew(MasterRow row, ProjectRow project) {
        Map<Long, List<Clip>> byTrack = clips.byTrack(row.id);
        List<Track> tracks = trackRows(row.id).stream().map(l -> Track.of(l.id, l.name, l.enabled, l.locked,
                byTrack.getOrDefault(l.id, List.of()))).toList();
        return new Master(row.id, row.name, project.rate, project.dropFrame, row.recStart, tracks);
    }

    /** Finds nested masters, each read once, as long as the finder is kept: for one piece of work, no longer. */
    public LongFunction<Master> nested() {
        Map<Long, Master> known = new HashMap<>();
        return id -> known.computeIfAbsent(id, i -> read(store.get(MasterRow.class, i)));
    }

    private List<MasterTrackRow> trackRows(long masterId) {
        return store.where(MasterTrackRow.class, "masterId", masterId).stream()
                .sorted(Comparator.comparingInt(l -> l.place)).toList();
    }

    /** A new master with one track. Runs inside a step. */
    public MasterRow add(long projectId, long sceneId, String name, long start, Long cutId) {
        MasterRow row = new MasterRow();
        row.projectId = projectId;
        row.sceneId = sceneId;
        row.name = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
        row.recStart = start;
        row.cutId = cutId;
        store.add(row);
        addTrack(row.id, 0, FirstMaster.MAIN_TRACK, true, false);
        return row;
    }

    private MasterTrackRow addTrack(long masterId, int place, String name, boolean enabled, boolean locked) {
        MasterTrackRow track = new MasterTrackRow();
        track.masterId = masterId;
        track.place = place;
        track.name = name;
        track.enabled = enabled;
        track.locked = locked;
        return store.add(track);
    }

    /** Every shot of a project by id, omitted ones too. */
    public Map<Long, ShotRow> shotRows(long projectId) {
        Map<Long, ShotRow> rows = new LinkedHashMap<>();
        store.where(ShotRow.class, "projectId", projectId).forEach(r -> rows.put(r.id, r));
        return rows;
    }

    /** The boards of all shots of a project. */
    public List<BoardRow> boards(long projectId) {
        return store.ofOwners(BoardRow.class, "shotId", ShotRow.class, "projectId", projectId);
    }

    public static Shot shot(ShotRow row) {
        return new Shot(row.id, row.code, FrameRange.of(row.cutIn, row.cutOut), row.handles, row.actionOffset,
                new Shot.Anchor(row.anchorKey, row.anchorName, row.anchorFrame, row.anchorSource, row.anchorSlope,
                        row.anchorStill, row.anchorCourse == null ? null : TimeMap.parse(row.anchorCourse)));
    }

    public static Map<Long, Shot> shots(Map<Long, ShotRow> rows) {
        Map<Long, Shot> shots = new HashMap<>();
        rows.forEach((id, row) -> shots.put(id, shot(row)));
        return shots;
    }

    /**
     * What shots tell of themselves is read off the masters that show them: their cut ranges, and whether they are
     * omitted. Call after every edit that moves clips; runs inside its step.
     */
    public void follow(MasterRow row, Master before, Master after) {
        Map<Long, FrameRange> was = CutRanges.of(before);
        Map<Long, FrameRange> ranges = CutRanges.of(after);
        Set<Long> changed = new HashSet<>(was.keySet());
        changed.addAll(ranges.keySet());
        changed.removeIf(id -> Objects.equals(was.get(id), ranges.get(id)));
        if (changed.isEmpty()) {
            return;
        }
        for (MasterRow other : all(row.projectId)) {
            if (!other.id.equals(row.id)) {
                CutRanges.of(read(other)).forEach((id, range) -> ranges.merge(id, range, FrameRange::spanWith));
            }
        }
        store.whereIn(ShotRow.class, "id", List.copyOf(changed)).forEach(shot -> {
            FrameRange range = ranges.get(shot.id);
            shot.omitted = range == null;
            if (range != null) {
                shot.cutIn = range.in();
                shot.cutOut = range.out();
            }
        });
    }

    /** Codes of all shots that were made, omitted ones and old numbers too: none of them is given again. */
    public Set<String> codesInUse(long projectId) {
        Set<String> codes = new HashSet<>(jdbc.queryForList("select code from shot where project_id = ? and alive = 1",
                String.class, projectId));
        codes.addAll(jdbc.queryForList("select code from shot_alias where project_id = ? and alive = 1", String.class,
                projectId));
        return codes;
    }

    public void fill(ShotRow row, Shot shot) {
        row.code = shot.code();
        row.cutIn = shot.cutRange().in();
        row.cutOut = shot.cutRange().out();
        row.handles = shot.handles();
        row.actionOffset = shot.actionOffset();
        row.anchorKey = shortened(shot.anchor().key(), 1000);
        row.anchorName = shortened(shot.anchor().name(), 500);
        row.anchorFrame = shot.anchor().shotFrame();
        row.anchorSource = shot.anchor().source();
        row.anchorSlope = shot.anchor().slope();
        row.anchorStill = shot.anchor().still();
        row.anchorCourse = shot.anchor().course() == null ? null : shot.anchor().course().text();
    }

    private static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    /** Old numbers of shots: the shot's id by its old code. */
    public Map<String, Long> aliases(long projectId) {
        Map<String, Long> aliases = new HashMap<>();
        store.where(ShotAliasRow.class, "projectId", projectId).forEach(a -> aliases.put(a.code, a.shotId));
        return aliases;
    }

    /** Writes the difference: tracks and clips that changed, went and came. Clips keep their ids across tracks. */
    public void write(MasterRow row, Master before, Master after) {
        Map<Long, ClipTable.Placement> old = new HashMap<>();
        before.tracks().forEach(l -> l.clips().forEach(s -> old.put(s.id(),
                new ClipTable.Placement(row.id, l.id(), s))));
        Map<Long, MasterTrackRow> tracks = new HashMap<>();
        trackRows(row.id).forEach(l -> tracks.put(l.id, l));
        List<ClipTable.Change> changes = new ArrayList<>();
        for (int place = 0; place < after.tracks().size(); place++) {
            Track track = after.tracks().get(place);
            long trackId = writeTrack(row.id, place, track, tracks.remove(track.id()));
            for (Clip clip : track.clips()) {
                ClipTable.Placement was = old.remove(clip.id());
                if (was == null || was.trackId() != trackId || !clip.equals(was.clip())) {
                    changes.add(new ClipTable.Change(row.id, trackId, clip, was));
                }
            }
        }
        WrittenMasters.add(row.id);
        // new tracks are written before the clips that lie on them
        store.entities().flush();
        clips.write(changes);
        clips.remove(clips.stillOf(row.id, old.keySet()));
        boolean anyNew = changes.stream().anyMatch(c -> c.was() == null) || after.tracks().stream().anyMatch(l -> l.id() == 0);
        tracks.values().forEach(store::remove);
        row.recStart = after.start();
        if (!anyNew) {
            keepAfterCommit(row, after);
        }
    }

    /** What was just written need not be read again; where ids were given meanwhile it must. */
    private void keepAfterCommit(MasterRow row, Master after) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                known.left(project.seq, row.id, after);
            }
        });
    }

    /**
     * Takes over clips that lie in another master: their rows come along, with ids, markers and history. The other master
     * is to be written afterwards, without them.
     */
    public void adopt(MasterRow row, Master empty, Master with, MasterRow from, Master other) {
        Map<Long, ClipTable.Placement> old = new HashMap<>();
        other.tracks().forEach(l -> l.clips().forEach(s -> old.put(s.id(), new ClipTable.Placement(from.id, l.id(), s))));
        store.entities().flush();
        clips.write(with.main().clips().stream().map(s -> new ClipTable.Change(row.id, empty.main().id(), s,
                old.get(s.id()))).toList());
        WrittenMasters.add(row.id);
        row.recStart = with.start();
    }

    private long writeTrack(long masterId, int place, Track track, MasterTrackRow there) {
        if (there == null) {
            return addTrack(masterId, place, track.name(), track.enabled(), track.locked()).id;
        }
        there.place = place;
        there.name = track.name();
        there.enabled = track.enabled();
        there.locked = track.locked();
        return there.id;
    }
}
