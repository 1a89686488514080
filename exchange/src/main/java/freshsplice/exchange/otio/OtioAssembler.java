package freshsplice.exchange.otio;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes a cut of a timeline or of a stack: each child of the stack is a track. */
final class OtioAssembler {
    private final String fileName;
    private final FrameRate given;
    private final Limits limits;
    private final List<Remark> remarks;

    OtioAssembler(String fileName, FrameRate given, Limits limits, List<Remark> remarks) {
        this.fileName = fileName;
        this.given = given;
        this.limits = limits;
        this.remarks = remarks;
    }

    /** A cut of a timeline, or of a stack, track or clip that stands alone. */
    Cut cut(OtioItem item) {
        boolean timeline = item.is("Timeline");
        OtioItem stack = timeline ? item.tracks : item;
        FrameRate rate = rateOf(item, stack);
        OtioTime start = item.globalStart;
        long zero = 0;
        if (start != null) {
            Rational exact = start.at(rate);
            zero = exact.round();
            if (!exact.isWhole()) {
                remarks.add(Remark.doubt(item.place, "It starts between two frames; read from the nearest"));
            }
        }
        String name = !item.name.isEmpty() ? item.name : stack == null ? "" : stack.name;
        return cutOf(stack, name, rate, zero, keptOf(item, stack), 0);
    }

    private static FormatNote keptOf(OtioItem timeline, OtioItem stack) {
        if (timeline == stack) {
            return timeline.kept == null ? null : new FormatNote("otio", timeline.kept);
        }
        Map<String, Object> both = new LinkedHashMap<>();
        if (timeline.kept != null) {
            both.put("timeline", OtioJson.parse(timeline.kept));
        }
        if (stack != null && stack.kept != null) {
            both.put("stack", OtioJson.parse(stack.kept));
        }
        return both.isEmpty() ? null : new FormatNote("otio", OtioJson.written(both));
    }

    private FrameRate rateOf(OtioItem item, OtioItem stack) {
        if (given != null) {
            return given;
        }
        if (item.globalStart != null && item.globalStart.rate().timecodeBase() > 1) {
            return item.globalStart.rate();
        }
        FrameRate picture = stack == null ? null : firstRate(stack, 0, false);
        FrameRate first = picture != null ? picture : stack == null ? null : firstRate(stack, 0, true);
        if (first == null) {
            remarks.add(Remark.guessedRate(item.place, "It does not say its rate; read at 24 frames/s. Give the rate to "
                    + "choose another"));
            return FrameRate.FPS_24;
        }
        remarks.add(Remark.note(item.place, "It has no start time, so its rate is its first clip's, " + first
                + " frames/s"));
        return first;
    }

    private FrameRate firstRate(OtioItem item, int depth, boolean soundToo) {
        if (depth > limits.maxDepth() || !soundToo && isSound(item)) {
            return null;
        }
        if (item.children.isEmpty() && item.sourceRange != null) {
            return item.sourceRange.duration().rate();
        }
        if (item.media != null && item.media.available() != null) {
            return item.media.available().duration().rate();
        }
        for (OtioItem child : item.children) {
            FrameRate rate = firstRate(child, depth + 1, soundToo);
            if (rate != null) {
                return rate;
            }
        }
        return item.tracks == null ? null : firstRate(item.tracks, depth + 1, soundToo);
    }

    static boolean isSound(OtioItem track) {
        return track.is("Track") && track.trackKind.equalsIgnoreCase("Audio");
    }

    /** @param zero record frame of the cut's first frame */
    Cut cutOf(OtioItem stack, String name, FrameRate rate, long zero, FormatNote kept, int depth) {
        if (depth > limits.maxDepth()) {
            throw new UnreadableFile(fileName + ": timelines inside timelines, more than " + limits.maxDepth()
                    + " levels deep");
        }
        List<Track> pictures = new ArrayList<>();
        List<Track> sounds = new ArrayList<>();
        List<Marker> markers = new ArrayList<>();
        FrameRange shown = stack == null || stack.sourceRange == null || !stack.is("Stack") ? null : rangeOf(stack, rate);
        long shift = zero - (shown == null ? 0 : shown.in());
        Rational longest = Rational.ZERO;
        for (OtioItem child : stack == null ? List.<OtioItem>of() : stack.is("Stack") ? stack.children : List.of(stack)) {
            boolean sound = isSound(child);
            List<Track> tracks = sound ? sounds : pictures;
            if (!isTrack(child)) {
                continue;
            }
            String trackName = child.is("Track") && !child.name.isEmpty() ? child.name
                    : (sound ? "A" : "V") + (tracks.size() + 1);
            OtioTrack track = new OtioTrack(this, rate, shift, depth, remarks, markers);
            tracks.add(trimmed(track.track(child, trackName, sound), shown, shift));
            longest = Rational.max(longest, track.length());
        }
        long length = shown == null ? longest.round() : shown.length();
        if (stack != null) {
            stack.markers.forEach(m -> markers.add(marker(m, m.range().start().at(rate).floor() + shift, rate)));
        }
        markers.sort(Comparator.comparingLong(m -> m.record().in()));
        List<Track> all = new ArrayList<>(pictures);
        all.addAll(sounds);
        return new Cut(name, rate, false, FrameRange.ofLength(zero, Math.max(0, length)), all, markers, kept);
    }

    private boolean isTrack(OtioItem child) {
        if (child.is("Track") && !child.trackKind.isEmpty() && !child.trackKind.equalsIgnoreCase("Video")
                && !isSound(child)) {
            remarks.add(Remark.loss(child.place, "A track of the kind \"" + child.trackKind
                    + "\" is neither picture nor sound; left out"));
            return false;
        }
        if (child.takesTime()) {
            return true;
        }
        remarks.add(Remark.loss(child.place, "The schema " + child.schema + " is not known here; left out"));
        return false;
    }

    FrameRange rangeOf(OtioItem item, FrameRate rate) {
        long in = item.sourceRange.start().at(rate).round();
        long out = item.sourceRange.start().at(rate).plus(item.sourceRange.duration().at(rate)).round();
        return FrameRange.of(in, Math.max(in, out));
    }

    /** What of a track lies in the range that its stack shows. */
    private static Track trimmed(Track track, FrameRange shown, long shift) {
        return shown == null ? track : OtioTrack.trimmed(track, shown.shiftedBy(shift));
    }

    static Marker marker(OtioItem.OtioMarker mark, long at, FrameRate rate) {
        long length = Math.max(1, mark.range().duration().at(rate).round());
        return new Marker(FrameRange.ofLength(at, length), mark.name(), mark.comment(), mark.colour());
    }
}
