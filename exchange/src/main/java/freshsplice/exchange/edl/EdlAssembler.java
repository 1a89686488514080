package freshsplice.exchange.edl;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.format.UnreadableFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/** Statements to tracks: labels become frames, transitions overlap their neighbours, tracks are filled. */
final class EdlAssembler {
    private final EdlList list;
    private final FrameRate rate;
    private final List<Remark> remarks;
    private final EdlClock clock;
    private final TreeMap<String, EdlTrack> picture = new TreeMap<>(Comparator.comparingInt(EdlAssembler::order));
    private final TreeMap<String, EdlTrack> sound = new TreeMap<>(Comparator.comparingInt(EdlAssembler::order));
    private long first = Long.MAX_VALUE;
    private long last = Long.MIN_VALUE;

    EdlAssembler(EdlList list, FrameRate rate, List<Remark> remarks) {
        this.list = list;
        this.rate = rate;
        this.remarks = remarks;
        this.clock = new EdlClock(list, rate, remarks);
    }

    Cut assemble() {
        EdlFiles.carry(list);
        for (EdlStatement statement : list.statements) {
            FrameRange record = clock.record(statement);
            if (!record.isEmpty()) {
                first = Math.min(first, record.in());
                last = Math.max(last, record.out());
            } else if (!statement.isOutgoing) {
                remarks.add(Remark.note(statement.place(), "Event " + statement.number + " has no length and is left "
                        + "out"));
                continue;
            }
            place(statement, record);
        }
        if (last < first) {
            throw new UnreadableFile("No event of the list has any length: there is no cut to read");
        }
        List<Track> tracks = new ArrayList<>();
        picture.forEach((name, track) -> tracks.add(track.finish(Track.Kind.PICTURE, clock.wholeDaysBack(first))));
        sound.forEach((name, track) -> tracks.add(track.finish(Track.Kind.SOUND, clock.wholeDaysBack(first))));
        FrameRange all = FrameRange.of(first, last).shiftedBy(clock.wholeDaysBack(first));
        return new Cut(list.title, rate, clock.recordDrops(), all, tracks, markers(all));
    }

    private void place(EdlStatement statement, FrameRange record) {
        for (String column : statement.tracks) {
            boolean isPicture = column.charAt(0) == 'V';
            String track = isPicture && isKeyed(statement) ? keyTrack(column) : column;
            (isPicture ? picture : sound)
                    .computeIfAbsent(track, name -> new EdlTrack(name, rate, clock, remarks))
                    .add(statement, record);
        }
    }

    /** The foreground of a key lies over its background: on the track above. */
    private String keyTrack(String column) {
        return "V" + (Integer.parseInt(column.substring(1)) + 1);
    }

    private static boolean isKeyed(EdlStatement statement) {
        return statement.edit == EdlStatement.Edit.KEY || statement.edit == EdlStatement.Edit.KEY_OUT;
    }

    private List<Marker> markers(FrameRange all) {
        List<Marker> markers = new ArrayList<>();
        for (EdlList.Locator locator : list.locators) {
            long frame = clock.near(locator.timecode(), locator.line(), all);
            markers.add(new Marker(FrameRange.ofLength(frame, 1), locator.text(), "", locator.colour()));
        }
        markers.sort(Comparator.comparingLong(m -> m.record().in()));
        return markers;
    }

    private static int order(String track) {
        return Integer.parseInt(track.substring(1));
    }
}
