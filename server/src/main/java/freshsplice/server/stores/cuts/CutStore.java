package freshsplice.server.stores.cuts;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.Fix;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.server.rows.CutApartRow;
import freshsplice.server.rows.CutCameraRow;
import freshsplice.server.rows.CutChoiceRow;
import freshsplice.server.rows.CutEventRow;
import freshsplice.server.rows.CutFixRow;
import freshsplice.server.rows.CutMarkerRow;
import freshsplice.server.rows.CutNestedRow;
import freshsplice.server.rows.CutRemarkRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.CutTrackRow;
import freshsplice.server.rows.CutTransitionRow;
import freshsplice.server.rows.Store;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Cuts as tables and back. */
@Component
public class CutStore {
    private record Comment(long eventId, String text) {
    }

    private record SpeedKey(long eventId, TimeMap.Key key) {
    }

    private final Store store;
    private final JdbcTemplate jdbc;
    private final KnownCuts known;

    CutStore(Store store, JdbcTemplate jdbc, KnownCuts known) {
        this.store = store;
        this.jdbc = jdbc;
        this.known = known;
    }

    /** The cut as it was read, with all its tracks. */
    public Cut read(CutRow row) {
        List<CutTrackRow> tracks = tracks(row);
        return known.read(contents(row, tracks), () -> readAnew(row, tracks));
    }

    private List<CutTrackRow> tracks(CutRow row) {
        return store.where(CutTrackRow.class, "cutId", row.id);
    }

    private static KnownCuts.Contents contents(CutRow row, List<CutTrackRow> tracks) {
        return new KnownCuts.Contents(tracks.stream().map(l -> l.id).toList(), row.name, row.rate, row.dropFrame,
                FrameRange.of(row.recIn, row.recOut));
    }

    private Cut readAnew(CutRow row, List<CutTrackRow> trackRows) {
        Tables tables = new Tables(row.id, trackRows);
        List<Marker> markers = store.where(CutMarkerRow.class, "cutId", row.id).stream()
                .map(m -> new Marker(FrameRange.of(m.recIn, m.recOut), m.name, m.comment, m.colour)).toList();
        return new Cut(row.name, row.rate, row.dropFrame, FrameRange.of(row.recIn, row.recOut), tables.tracks(null),
                markers);
    }

    /** What shots are made of: what is seen of all tracks, or the one track that somebody picked. */
    public Cut picked(CutRow row) {
        List<CutTrackRow> tracks = tracks(row);
        return picked(row, tracks, new KnownCuts.Picks(contents(row, tracks), row.pickedTrack));
    }

    private Cut picked(CutRow row, List<CutTrackRow> tracks, KnownCuts.Picks which) {
        Cut cut = known.read(which.contents(), () -> readAnew(row, tracks));
        boolean track = row.pickedTrack != null && row.pickedTrack >= 0 && row.pickedTrack < cut.tracks().size();
        return track ? known.picked(which, () -> cut.withPicture(row.pickedTrack)) : cut;
    }

    public List<CutChoiceRow> choices(long cutId) {
        return store.where(CutChoiceRow.class, "cutId", cutId).stream().sorted(Comparator.comparingInt(c -> c.place))
                .toList();
    }

    /** All rows of a cut, by what they belong to. */
    private final class Tables {
        private final Map<Long, List<CutTrackRow>> tracks;
        private final Map<Long, List<CutEventRow>> events;
        private final Map<Long, List<CutTransitionRow>> transitions;
        private final Map<Long, List<String>> comments;
        private final Map<Long, List<SpeedKey>> keys;
        private final Map<Long, CutNestedRow> nestedRows;
        private final Map<Long, Cut> nested = new HashMap<>();

        Tables(long cutId, List<CutTrackRow> trackRows) {
            List<Long> trackIds = trackRows.stream().map(l -> l.id).toList();
            tracks = trackRows.stream().collect(Collectors.groupingBy(l -> l.nestedId == null ? 0 : l.nestedId));
            events = store.whereIn(CutEventRow.class, "trackId", trackIds).stream()
                    .collect(Collectors.groupingBy(e -> e.trackId));
            transitions = store.whereIn(CutTransitionRow.class, "trackId", trackIds).stream()
                    .collect(Collectors.groupingBy(t -> t.trackId));
            comments = comments(cutId);
            keys = keys(cutId);
            nestedRows = store.where(CutNestedRow.class, "cutId", cutId).stream()
                    .collect(Collectors.toMap(n -> n.id, n -> n));
        }

        List<Track> tracks(Long nestedId) {
            return tracks.getOrDefault(nestedId == null ? 0 : nestedId, List.of()).stream()
                    .sorted(Comparator.comparingInt(l -> l.place))
                    .map(l -> new Track(l.kind, l.name, l.enabled, eventsOf(l),
                            transitions.getOrDefault(l.id, List.of()).stream().map(CutStore::transition).toList()))
                    .toList();
        }

        private List<Event> eventsOf(CutTrackRow track) {
            return events.getOrDefault(track.id, List.of()).stream().sorted(Comparator.comparingInt(e -> e.place))
                    .map(this::event).toList();
        }

        private Event event(CutEventRow e) {
            FrameRange record = FrameRange.of(e.recIn, e.recOut);
            Source source = e.sourceName == null && e.sourceReel == null && e.sourceFile == null ? null
                    : new Source(e.sourceName, e.sourceReel, e.sourceFile, e.sourceRate, e.sourceStart, e.sourceLength);
            List<SpeedKey> speed = keys.get(e.id);
            TimeMap time = speed == null ? TimeMap.between(record, e.sourceFrom, e.sourceTo)
                    : new TimeMap(speed.stream().map(SpeedKey::key).toList(), e.smooth);
            return new Event(e.number, e.kind, e.name, e.enabled, record, source, time,
                    e.nestedId == null ? null : nested(e.nestedId), comments.getOrDefault(e.id, List.of()),
                    e.kept == null ? null : new FormatNote(e.keptFormat, e.kept), e.sourceTrack, e.words);
        }

        private Cut nested(long id) {
            Cut known = nested.get(id);
            if (known == null) {
                CutNestedRow row = nestedRows.get(id);
                known = new Cut(row.name, row.rate, row.dropFrame, FrameRange.of(row.recIn, row.recOut), tracks(id),
                        List.of());
                nested.put(id, known);
            }
            return known;
        }
    }

    private Map<Long, List<SpeedKey>> keys(long cutId) {
        return jdbc.query("select k.event_id, k.record_frame, k.source_frame from cut_event_key k "
                        + "join cut_event e on e.id = k.event_id join cut_track l on l.id = e.track_id "
                        + "where l.cut_id = ? order by k.event_id, k.place",
                        (r, n) -> new SpeedKey(r.getLong(1), new TimeMap.Key(r.getLong(2),
                                Rational.parse(r.getString(3)))), cutId).stream()
                .collect(Collectors.groupingBy(SpeedKey::eventId));
    }

    private Map<Long, List<String>> comments(long cutId) {
        return jdbc.query("select c.event_id, c.text from cut_event_comment c join cut_event e on e.id = c.event_id "
                        + "join cut_track l on l.id = e.track_id where l.cut_id = ? order by c.event_id, c.place",
                        (r, n) -> new Comment(r.getLong(1), r.getString(2)), cutId).stream()
                .collect(Collectors.groupingBy(Comment::eventId,
                        Collectors.mapping(Comment::text, Collectors.toList())));
    }

    private static Transition transition(CutTransitionRow t) {
        return new Transition(t.kind, FrameRange.of(t.recIn, t.recOut), t.cutAt, t.wipe);
    }

    public List<Remark> remarks(long cutId) {
        return store.where(CutRemarkRow.class, "cutId", cutId).stream().sorted(Comparator.comparingInt(r -> r.place))
                .map(r -> new Remark(r.severity, r.spot, r.text)).toList();
    }

    /** What was chosen about flashes, gaps and overlaps, by the record frame at which each begins. */
    public Map<Long, Fix> fixes(long cutId) {
        return store.where(CutFixRow.class, "cutId", cutId).stream()
                .collect(Collectors.toMap(f -> f.atFrame, f -> f.fix));
    }

    /** Cameras named for shots, by the record frame at which each begins. */
    public Map<Long, String> cameras(long cutId) {
        return store.where(CutCameraRow.class, "cutId", cutId).stream()
                .collect(Collectors.toMap(c -> c.atFrame, c -> c.name));
    }

    /** The stretches of a cut that are one shot each, as was chosen, of what was picked. */
    public List<CutClip> clips(CutRow row) {
        List<CutTrackRow> tracks = tracks(row);
        KnownCuts.Picks which = new KnownCuts.Picks(contents(row, tracks), row.pickedTrack);
        Set<Long> apart = apart(row.id);
        Map<Long, Fix> fixes = fixes(row.id);
        return known.clips(new KnownCuts.Apart(which, apart, fixes),
                () -> Conform.clips(picked(row, tracks, which), apart::contains, fixes));
    }

    /** Record frames of seams that are to stay open. */
    public Set<Long> apart(long cutId) {
        Set<Long> seams = new HashSet<>();
        store.where(CutApartRow.class, "cutId", cutId).forEach(a -> seams.add(a.seam));
        return seams;
    }
}
