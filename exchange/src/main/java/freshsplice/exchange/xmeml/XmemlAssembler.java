package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Makes cuts of the noted sequences. */
final class XmemlAssembler {
    private final XmemlParser document;
    private final FrameRate given;
    private final List<Remark> remarks;
    private final Map<XmemlSequence, Cut> made = new IdentityHashMap<>();
    /** Sequences that are being made: one of them inside itself would never end. */
    private final Map<XmemlSequence, Boolean> open = new IdentityHashMap<>();

    XmemlAssembler(XmemlParser document, FrameRate given, List<Remark> remarks) {
        this.document = document;
        this.given = given;
        this.remarks = remarks;
    }

    Cut cut(XmemlSequence sequence) {
        Cut there = made.get(sequence);
        if (there != null) {
            return there;
        }
        open.put(sequence, true);
        FrameRate rate = rateOf(sequence);
        List<Track> tracks = new ArrayList<>();
        List<Marker> markers = new ArrayList<>();
        for (boolean picture : new boolean[] {true, false}) {
            int order = 0;
            for (XmemlSequence.Track track : sequence.tracks) {
                if (track.picture == picture) {
                    String name = track.name.isEmpty() ? (picture ? "V" : "A") + ++order : track.name;
                    tracks.add(new XmemlTrack(this, sequence, rate, remarks, markers).track(track, name));
                }
            }
        }
        sequence.markers.stream().map(m -> XmemlMarkers.of(m, sequence.start)).filter(m -> m != null)
                .forEach(markers::add);
        markers.sort((a, b) -> Long.compare(a.record().in(), b.record().in()));
        long end = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max()
                .orElse(sequence.start);
        long length = sequence.duration == null ? end - sequence.start : sequence.duration;
        if (sequence.start + length < end) {
            remarks.add(Remark.doubt(sequence.place(), "It says " + length + " frames and its last event ends at "
                    + (end - sequence.start) + "; the last event decides"));
            length = end - sequence.start;
        }
        boolean drop = sequence.dropFrame && rate.hasDropFrame();
        Cut cut = new Cut(sequence.name, rate, drop, FrameRange.ofLength(sequence.start, Math.max(0, length)), tracks,
                markers);
        open.remove(sequence);
        made.put(sequence, cut);
        return cut;
    }

    private FrameRate rateOf(XmemlSequence sequence) {
        if (given != null) {
            if (sequence.rate != null && !sequence.rate.equals(given)) {
                remarks.add(Remark.doubt(sequence.place(), "It says " + sequence.rate + " frames/s; read at " + given
                        + " as asked, frame for frame"));
            }
            return given;
        }
        if (sequence.rate != null) {
            return sequence.rate;
        }
        FrameRate first = sequence.tracks.stream().flatMap(t -> t.items.stream()).map(XmemlItem::rate)
                .filter(r -> r != null).findFirst().orElse(FrameRate.FPS_24);
        remarks.add(Remark.guessedRate(sequence.place(), "It does not say its rate; read at " + first
                + " frames/s. Give the rate to choose another"));
        return first;
    }

    /** The file that an item shows; null where the document tells nothing about it. */
    XmemlFile fileOf(XmemlItem item) {
        return item.file() != null ? item.file() : item.fileId() == null ? null : document.files.get(item.fileId());
    }

    /** The cut of the sequence that an item shows; null where it is not told, or shows itself. */
    Cut nested(XmemlItem item) {
        XmemlSequence told = item.nested().byId ? document.sequences.get(item.nested().id) : item.nested();
        if (told == null) {
            remarks.add(Remark.loss(item.place(), "It shows the sequence \"" + item.nested().id
                    + "\", which is not in the file"));
            return null;
        }
        if (open.containsKey(told)) {
            remarks.add(Remark.loss(item.place(), "The sequence \"" + told.name
                    + "\" is inside itself; it is not opened again there"));
            return null;
        }
        return cut(told);
    }

    static Event missing(XmemlItem item, FrameRange record, freshsplice.core.time.TimeMap time) {
        return new Event(null, Event.Kind.MISSING, item.name(), item.enabled(), record, null, time, null,
                item.comments());
    }
}
