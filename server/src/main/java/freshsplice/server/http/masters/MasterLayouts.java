package freshsplice.server.http.masters;

import freshsplice.core.changes.PlacesInCut;
import freshsplice.core.conform.CutClip;
import freshsplice.core.cut.Cut;
import freshsplice.core.master.ActionSlips;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.time.FrameRange;
import freshsplice.server.cuts.Comparing;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.masters.Markers;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.SoundTrackRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.ReadOnce;
import freshsplice.server.steps.Room;
import freshsplice.server.steps.TouchLog;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.shown.ShownRows;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Masters laid out against their cuts, each once until something that it is made of is touched: filming leaves it as it is. */
@Component
class MasterLayouts {
    /** About what a clip takes in memory with its places in cut and tracks, in bytes. */
    private static final int BYTES_A_CLIP = 800;
    private static final long MOST_BYTES = 64L << 20;

    private final Store store;
    private final MasterStore masters;
    private final CutStore cuts;
    private final Comparing comparing;
    private final CutViews cutViews;
    private final CutsUnder cutsUnder;
    private final LaidSound sounds;
    private final Markers markers;
    private final ShownRows shown;
    private final LiveUpdates live;
    private final BoardFits fits;
    private final ReadOnce<Long, MasterLayout> known;

    MasterLayouts(Store store, MasterStore masters, CutStore cuts, Comparing comparing, CutViews cutViews, CutsUnder cutsUnder,
             LaidSound sounds, Markers markers, ShownRows shown, LiveUpdates live, TouchLog touched, BoardFits fits) {
        this.fits = fits;
        this.store = store;
        this.masters = masters;
        this.cuts = cuts;
        this.comparing = comparing;
        this.cutViews = cutViews;
        this.cutsUnder = cutsUnder;
        this.sounds = sounds;
        this.markers = markers;
        this.shown = shown;
        this.live = live;
        this.known = new ReadOnce<>(touched, EnumSet.complementOf(EnumSet.of(Room.CAMERAS, Room.SET)), MOST_BYTES, MasterLayouts::bytes);
    }

    private static int bytes(MasterLayout laid) {
        return (laid.main().size() + laid.seen().size() + laid.upper().stream().mapToInt(List::size).sum() + 1) * BYTES_A_CLIP;
    }

    /** @param project as the transaction under way sees it */
    MasterLayout of(MasterRow row, ProjectRow project) {
        // read before all else: what is told while it is read makes it old
        long told = live.told(project.id);
        return known.of(project, row.id, told, () -> layOut(row, project));
    }

    private MasterLayout layOut(MasterRow row, ProjectRow project) {
        Master master = masters.read(row);
        LongFunction<Master> nested = masters.nested();
        Map<Long, BoardRow> boards = shown.boards(project.id, project.seq);
        LiveClips liveClips = new LiveClips(nested);
        Map<Long, ShotRow> shots = shown.shots(project.id, project.seq);
        List<LiveClips.Live> main = liveClips.ofTrack(master, 0);
        List<Clip> clips = main.stream().map(LiveClips.Live::clip).toList();
        CutRow cutRow = row.cutId == null ? null : store.get(CutRow.class, row.cutId);
        Cut cut = cutRow == null ? null : cuts.picked(cutRow);
        List<CutClip> cutClips = cut == null ? List.of() : cuts.clips(cutRow);
        PlacesInCut inCut = PlacesInCut.of(clips, cut == null ? null : comparing.turnover(row, master, shots, cutClips, cut));
        Map<Long, String> slips = ActionSlips.of(clips, MasterStore.shots(shots)).stream()
                .collect(Collectors.toMap(ActionSlips.Slip::at, ActionSlips.Slip::words));
        return new MasterLayout(master, whole(master, cut), cut == null ? cutsUnder.shown(row)
                : new MasterView.Cut(cutRow.id, cutRow.version, cutRow.name, cutViews.stamp(cutRow, cutClips)), main,
                IntStream.range(1, master.tracks().size()).mapToObj(track -> liveClips.ofTrack(master, track)).toList(),
                liveClips.of(master), inCut, slips, shots, boards, aliases(project.id),
                moving(project.id), fits.of(project, boards.values()), nested, sounds(row.id), soundTracks(row.id), markers(row.id, master));
    }

    private static FrameRange whole(Master master, Cut cut) {
        return cut == null ? FrameRange.of(master.start(), Math.max(master.end(), master.start() + 1))
                : FrameRange.of(Math.min(master.start(), cut.record().in()), Math.max(master.end(), cut.record().out()));
    }

    private Map<Long, String> aliases(long projectId) {
        Map<Long, String> aliases = new HashMap<>();
        masters.aliases(projectId).forEach((code, shot) -> aliases.merge(shot, code, (a, b) -> a + ", " + b));
        return aliases;
    }

    private Set<Long> moving(long projectId) {
        return Set.copyOf(store.entities().createQuery("select m.id from MediaRow m where m.projectId = :project and "
                + "m.frames > 1 and m.alive = true", Long.class).setParameter("project", projectId).getResultList());
    }

    private List<MasterView.Sound> sounds(long masterId) {
        Map<String, SoundTrackRow> tracks = sounds.trackRows(masterId);
        return sounds.rows(masterId).stream().map(s -> new MasterView.Sound(s.id, s.track, s.name, s.mediaId, s.recIn, s.recOut,
                s.fromSeconds.toDouble(), s.level, s.fadeIn, s.fadeOut, LaidSound.gain(s, tracks), s.channel)).toList();
    }

    private List<MasterView.SoundTrack> soundTracks(long masterId) {
        return sounds.trackRows(masterId).values().stream()
                .map(l -> new MasterView.SoundTrack(l.name, l.muted, l.solo, l.level)).toList();
    }

    private List<MasterView.Marker> markers(long masterId, Master master) {
        return markers.standing(masterId, master).stream().map(m -> new MasterView.Marker(m.row().id, m.record().in(),
                m.record().out(), m.row().words, m.row().who, m.row().clipId)).toList();
    }
}
