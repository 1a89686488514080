package freshsplice.server.stores.cuts;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.TimeMap;
import freshsplice.server.rows.CutChoiceRow;
import freshsplice.server.rows.CutEventRow;
import freshsplice.server.rows.CutMarkerRow;
import freshsplice.server.rows.CutNestedRow;
import freshsplice.server.rows.CutRemarkRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.CutTrackRow;
import freshsplice.server.rows.CutTransitionRow;
import freshsplice.server.rows.Store;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Writes cuts as they were read. */
@Component
public class CutWriter {
    private final Store store;
    private final JdbcTemplate jdbc;

    CutWriter(Store store, JdbcTemplate jdbc) {
        this.store = store;
        this.jdbc = jdbc;
    }

    /** Writes the contents of a cut and its remarks, in place of what was there. */
    public void write(CutRow row, Cut cut, List<Remark> remarks) {
        store.entities().flush();
        jdbc.update("update cut_event e join cut_track l on l.id = e.track_id set e.nested_id = null where l.cut_id = ?",
                row.id);
        for (String table : List.of("cut_track", "cut_nested", "cut_marker", "cut_remark")) {
            jdbc.update("delete from " + table + " where cut_id = ?", row.id);
        }
        new Contents(row.id).tracks(cut, null);
        cut.markers().forEach(m -> writeMarker(row.id, m));
        for (int i = 0; i < remarks.size(); i++) {
            writeRemark(row.id, i, remarks.get(i));
        }
    }

    /** Tracks of a cut and of the cuts nested in it; one that is shown twice is written once. */
    private final class Contents {
        private final long cutId;
        private final Map<Cut, Long> nested = new IdentityHashMap<>();
        private final List<Object[]> comments = new ArrayList<>();
        private final List<Object[]> keys = new ArrayList<>();
        private int places;

        Contents(long cutId) {
            this.cutId = cutId;
        }

        void tracks(Cut cut, Long nestedId) {
            for (Track track : cut.tracks()) {
                track(track, nestedId);
            }
            if (nestedId == null) {
                store.entities().flush();
                insert("insert into cut_event_comment (event_id, place, text) values (?, ?, ?)", comments);
                insert("insert into cut_event_key (event_id, place, record_frame, source_frame) values (?, ?, ?, ?)",
                        keys);
            }
        }

        private void insert(String statement, List<Object[]> rows) {
            if (!rows.isEmpty()) {
                jdbc.batchUpdate(statement, rows);
            }
        }

        private void track(Track track, Long nestedId) {
            CutTrackRow row = new CutTrackRow();
            row.cutId = cutId;
            row.place = places++;
            row.kind = track.kind();
            row.name = shortened(track.name(), 100);
            row.enabled = track.enabled();
            row.nestedId = nestedId;
            store.add(row);
            for (int i = 0; i < track.events().size(); i++) {
                event(row.id, i, track.events().get(i));
            }
            for (Transition transition : track.transitions()) {
                writeTransition(row.id, transition);
            }
        }

        private void event(long trackId, int place, Event event) {
            CutEventRow row = eventRow(trackId, place, event);
            row.nestedId = event.nested() == null ? null : nestedId(event.nested());
            store.add(row);
            for (int k = 0; k < event.comments().size(); k++) {
                comments.add(new Object[] {row.id, k, shortened(event.comments().get(k), 2000)});
            }
            List<TimeMap.Key> speed = event.time().keys();
            if (speed.size() > 2 || event.time().smooth()) {
                for (int k = 0; k < speed.size(); k++) {
                    keys.add(new Object[] {row.id, k, speed.get(k).record(), speed.get(k).source().toString()});
                }
            }
        }

        private Long nestedId(Cut cut) {
            Long known = nested.get(cut);
            if (known == null) {
                CutNestedRow row = new CutNestedRow();
                row.cutId = cutId;
                row.name = shortened(cut.name(), 500);
                row.rate = cut.rate();
                row.dropFrame = cut.dropFrame();
                row.recIn = cut.record().in();
                row.recOut = cut.record().out();
                known = store.add(row).id;
                // its tracks refer to it, and inserts are put in order by their kind
                store.entities().flush();
                nested.put(cut, known);
                tracks(cut, known);
            }
            return known;
        }
    }

    private static final int LONGEST_WORDS = 10_000;
    /** A generator tells a page or two about itself; what is longer is not handed back. */
    private static final int LONGEST_KEPT = 200_000;

    private static CutEventRow eventRow(long trackId, int place, Event event) {
        CutEventRow row = new CutEventRow();
        row.trackId = trackId;
        row.place = place;
        row.number = shortened(event.number(), 200);
        row.sourceTrack = event.sourceTrack();
        row.kind = event.kind();
        row.name = shortened(event.name(), 500);
        row.enabled = event.enabled();
        row.recIn = event.record().in();
        row.recOut = event.record().out();
        row.sourceFrom = event.from();
        row.sourceTo = event.to();
        row.smooth = event.time().smooth();
        if (event.kind() == Event.Kind.GENERATOR) {
            row.words = shortened(event.words(), LONGEST_WORDS);
            FormatNote kept = event.kept() == null || event.kept().text().length() > LONGEST_KEPT ? null : event.kept();
            row.keptFormat = kept == null ? null : kept.format();
            row.kept = kept == null ? null : kept.text();
        }
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

    private void writeTransition(long trackId, Transition transition) {
        CutTransitionRow row = new CutTransitionRow();
        row.trackId = trackId;
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

    /** The sequences of the file, so that another can be chosen. */
    public void writeChoices(CutRow row, List<Cut> cuts) {
        jdbc.update("delete from cut_choice where cut_id = ?", row.id);
        for (int i = 0; i < cuts.size(); i++) {
            Cut cut = cuts.get(i);
            CutChoiceRow choice = new CutChoiceRow();
            choice.cutId = row.id;
            choice.place = i;
            choice.name = shortened(cut.name(), 500);
            choice.frames = cut.record().length();
            choice.events = cut.tracks().stream().mapToInt(l -> l.events().size()).sum();
            store.add(choice);
        }
    }
}
