package freshsplice.server.cuts;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.TimeMap;
import freshsplice.server.store.CutApartRow;
import freshsplice.server.store.CutEventRow;
import freshsplice.server.store.CutLaneRow;
import freshsplice.server.store.CutMarkerRow;
import freshsplice.server.store.CutRemarkRow;
import freshsplice.server.store.CutRow;
import freshsplice.server.store.CutTransitionRow;
import freshsplice.server.store.Store;
import java.util.ArrayList;
import java.util.Comparator;
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

    private final Store store;
    private final JdbcTemplate jdbc;

    CutStore(Store store, JdbcTemplate jdbc) {
        this.store = store;
        this.jdbc = jdbc;
    }

    /** Writes the contents of a cut and its remarks, in place of what was there. */
    void write(CutRow row, Cut cut, List<Remark> remarks) {
        store.entities().flush();
        for (String table : List.of("cut_lane", "cut_marker", "cut_remark")) {
            jdbc.update("delete from " + table + " where cut_id = ?", row.id);
        }
        for (int i = 0; i < cut.lanes().size(); i++) {
            writeLane(row.id, i, cut.lanes().get(i));
        }
        cut.markers().forEach(m -> writeMarker(row.id, m));
        for (int i = 0; i < remarks.size(); i++) {
            writeRemark(row.id, i, remarks.get(i));
        }
    }

    private void writeLane(long cutId, int place, Lane lane) {
        CutLaneRow row = new CutLaneRow();
        row.cutId = cutId;
        row.place = place;
        row.kind = lane.kind();
        row.name = shortened(lane.name(), 100);
        row.enabled = lane.enabled();
        store.add(row);
        List<Object[]> comments = new ArrayList<>();
        for (int i = 0; i < lane.events().size(); i++) {
            Event event = lane.events().get(i);
            CutEventRow written = store.add(eventRow(row.id, i, event));
            for (int k = 0; k < event.comments().size(); k++) {
                comments.add(new Object[] {written.id, k, shortened(event.comments().get(k), 2000)});
            }
        }
        for (Transition transition : lane.transitions()) {
            writeTransition(row.id, transition);
        }
        if (!comments.isEmpty()) {
            store.entities().flush();
            jdbc.batchUpdate("insert into cut_event_comment (event_id, place, text) values (?, ?, ?)", comments);
        }
    }

    private static CutEventRow eventRow(long laneId, int place, Event event) {
        CutEventRow row = new CutEventRow();
        row.laneId = laneId;
        row.place = place;
        row.number = event.number();
        row.kind = event.kind();
        row.name = shortened(event.name(), 500);
        row.enabled = event.enabled();
        row.recIn = event.record().in();
        row.recOut = event.record().out();
        row.sourceFrom = event.from();
        row.sourceTo = event.to();
        Source source = event.source();
        if (source != null) {
            row.sourceName = shortened(source.name(), 500);
            row.sourceReel = shortened(source.reel(), 500);
            row.sourceFile = shortened(source.file(), 1000);
            row.sourceRate = source.rate();
            row.sourceStart = source.start();
            row.sourceLength = source.length();
        }
        return row;
    }

    private void writeTransition(long laneId, Transition transition) {
        CutTransitionRow row = new CutTransitionRow();
        row.laneId = laneId;
        row.kind = transition.kind();
        row.recIn = transition.record().in();
        row.recOut = transition.record().out();
        row.cutAt = transition.cut();
        row.wipe = transition.wipe();
        store.add(row);
    }

    private void writeMarker(long cutId, Marker marker) {
        CutMarkerRow row = new CutMarkerRow();
        row.cutId = cutId;
        row.recIn = marker.record().in();
        row.recOut = marker.record().out();
        row.name = shortened(marker.name(), 1000);
        row.comment = shortened(marker.comment(), 2000);
        row.colour = shortened(marker.colour(), 40);
        store.add(row);
    }

    private void writeRemark(long cutId, int place, Remark remark) {
        CutRemarkRow row = new CutRemarkRow();
        row.cutId = cutId;
        row.place = place;
        row.severity = remark.severity();
        row.spot = shortened(remark.place(), 200);
        row.text = shortened(remark.text(), 2000);
        store.add(row);
    }

    private static String shortened(String text, int most) {
        return text == null || text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }

    /** The cut as it was read. */
    public Cut read(CutRow row) {
        List<CutLaneRow> laneRows = store.where(CutLaneRow.class, "cutId", row.id);
        List<Long> laneIds = laneRows.stream().map(l -> l.id).toList();
        Map<Long, List<CutEventRow>> events = store.whereIn(CutEventRow.class, "laneId", laneIds).stream()
                .collect(Collectors.groupingBy(e -> e.laneId));
        Map<Long, List<CutTransitionRow>> transitions = store.whereIn(CutTransitionRow.class, "laneId", laneIds)
                .stream().collect(Collectors.groupingBy(t -> t.laneId));
        Map<Long, List<String>> comments = comments(row.id);
        List<Lane> lanes = laneRows.stream().sorted(Comparator.comparingInt(l -> l.place))
                .map(l -> new Lane(l.kind, l.name, l.enabled,
                        events.getOrDefault(l.id, List.of()).stream().sorted(Comparator.comparingInt(e -> e.place))
                                .map(e -> event(e, comments.getOrDefault(e.id, List.of()))).toList(),
                        transitions.getOrDefault(l.id, List.of()).stream().map(CutStore::transition).toList()))
                .toList();
        List<Marker> markers = store.where(CutMarkerRow.class, "cutId", row.id).stream()
                .map(m -> new Marker(FrameRange.of(m.recIn, m.recOut), m.name, m.comment, m.colour)).toList();
        return new Cut(row.name, row.rate, row.dropFrame, FrameRange.of(row.recIn, row.recOut), lanes, markers);
    }

    private Map<Long, List<String>> comments(long cutId) {
        return jdbc.query("select c.event_id, c.text from cut_event_comment c join cut_event e on e.id = c.event_id "
                        + "join cut_lane l on l.id = e.lane_id where l.cut_id = ? order by c.event_id, c.place",
                        (r, n) -> new Comment(r.getLong(1), r.getString(2)), cutId).stream()
                .collect(Collectors.groupingBy(Comment::eventId,
                        Collectors.mapping(Comment::text, Collectors.toList())));
    }

    private static Event event(CutEventRow e, List<String> comments) {
        FrameRange record = FrameRange.of(e.recIn, e.recOut);
        Source source = e.sourceName == null && e.sourceReel == null && e.sourceFile == null ? null
                : new Source(e.sourceName, e.sourceReel, e.sourceFile, e.sourceRate, e.sourceStart, e.sourceLength);
        return new Event(e.number, e.kind, e.name, e.enabled, record, source,
                TimeMap.between(record, e.sourceFrom, e.sourceTo), null, comments);
    }

    private static Transition transition(CutTransitionRow t) {
        return new Transition(t.kind, FrameRange.of(t.recIn, t.recOut), t.cutAt, t.wipe);
    }

    public List<Remark> remarks(long cutId) {
        return store.where(CutRemarkRow.class, "cutId", cutId).stream().sorted(Comparator.comparingInt(r -> r.place))
                .map(r -> new Remark(r.severity, r.spot, r.text)).toList();
    }

    /** Record frames of seams that are to stay open. */
    public Set<Long> apart(long cutId) {
        Set<Long> seams = new HashSet<>();
        store.where(CutApartRow.class, "cutId", cutId).forEach(a -> seams.add(a.seam));
        return seams;
    }
}
