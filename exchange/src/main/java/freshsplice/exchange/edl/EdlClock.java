package freshsplice.exchange.edl;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.format.UnreadableFile;
import java.util.List;
import java.util.stream.Stream;

/**
 * Labels of one list as frames. Record labels wrap at midnight and are read on; the record clock counts one way
 * through the whole list (as it begins), while each source counts as the mode in force at its line says.
 */
final class EdlClock {
    private final FrameRate rate;
    private final boolean recordDrops;
    private final long recordDay;
    private Long previousIn;

    EdlClock(EdlList list, FrameRate rate, List<Remark> remarks) {
        this.rate = rate;
        boolean saysDrop = Boolean.TRUE.equals(list.drop) || list.drop == null && list.statements.stream()
                .anyMatch(s -> Timecode.isWrittenDrop(s.recordIn));
        if (saysDrop && !rate.hasDropFrame()) {
            remarks.add(Remark.doubt("line 1", "The list says drop-frame, which " + rate + " frames/s does not have; "
                    + "read without dropping. Read it at 30000/1001 or 60000/1001 to have it drop"));
        } else if (saysDrop != list.statements.stream().anyMatch(s -> Timecode.isWrittenDrop(s.recordIn))
                && !saysDrop) {
            remarks.add(Remark.doubt("line 1", "The list says non-drop frame and writes labels with semicolons; read "
                    + "as it says. Change its FCM line to DROP FRAME for the other"));
        }
        recordDrops = saysDrop && rate.hasDropFrame();
        recordDay = Timecode.framesPerDay(rate, recordDrops);
    }

    boolean recordDrops() {
        return recordDrops;
    }

    /** The record range, on the day that lies nearest to the event before. */
    FrameRange record(EdlStatement statement) {
        long in = frame(statement.recordIn, statement.line, recordDrops);
        long out = frame(statement.recordOut, statement.line, recordDrops);
        if (previousIn != null) {
            long days = Math.round((double) (previousIn - in) / recordDay);
            in += days * recordDay;
            out += days * recordDay;
        }
        previousIn = in;
        return FrameRange.of(in, outAfter(in, out, recordDay, statement, "record"));
    }

    /** The source range. For a reverse or held event the out may be anything, so it is given back unordered. */
    long[] source(EdlStatement statement) {
        boolean drops = (statement.dropSource || Timecode.isWrittenDrop(statement.sourceIn)) && rate.hasDropFrame();
        long in = frame(statement.sourceIn, statement.line, drops);
        long out = frame(statement.sourceOut, statement.line, drops);
        if (statement.speedInFps != null) {
            return new long[] {in, out};
        }
        return new long[] {in, outAfter(in, out, Timecode.framesPerDay(rate, drops), statement, "source")};
    }

    long speedStart(EdlStatement statement) {
        boolean drops = (statement.dropSource || Timecode.isWrittenDrop(statement.speedStart)) && rate.hasDropFrame();
        return frame(statement.speedStart, statement.speedLine, drops);
    }

    /** A record label on the day that brings it nearest to {@code range}. */
    long near(String label, int line, FrameRange range) {
        long frame = frame(label, line, recordDrops);
        return Stream.of(frame, frame + recordDay)
                .filter(range::contains).findFirst().orElse(frame);
    }

    /** Days to go back or on so that the first frame lies on the first day. */
    long wholeDaysBack(long first) {
        return -Math.floorDiv(first, recordDay) * recordDay;
    }

    private long outAfter(long in, long out, long day, EdlStatement statement, String side) {
        if (out >= in) {
            return out;
        }
        if (out + day - in > day / 2) {
            throw new UnreadableFile("line " + statement.line + ": event " + statement.number + " ends before it "
                    + "begins in the " + side + " (" + (side.equals("record")
                    ? statement.recordIn + " to " + statement.recordOut
                    : statement.sourceIn + " to " + statement.sourceOut) + "): correct it in the list");
        }
        return out + day;
    }

    private long frame(String label, int line, boolean drops) {
        try {
            return Timecode.parse(label, rate, drops).frame();
        } catch (IllegalArgumentException e) {
            throw new UnreadableFile("line " + line + ": " + e.getMessage() + ". Read the list at its own rate, or "
                    + "correct the label");
        }
    }
}
