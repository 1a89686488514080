package freshsplice.exchange.edl;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.words.Amounts;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Writes edit decision lists. A list holds one picture track: either one that is named, or the live picture of all,
 * and a remark says what that hides. Sound tracks follow on their own tracks.
 */
public final class EdlWriter implements CutWriter {
    @Override
    public String format() {
        return "edl";
    }

    @Override
    public WrittenFile write(Cut cut, WriteOptions options) {
        List<Remark> remarks = new ArrayList<>();
        List<Track> tracks = new ArrayList<>();
        Cut chosen = options.only(cut);
        tracks.add(options.track() == null ? flattened(cut, remarks)
                : chosen.tracks().get(chosen.tracksOf(Track.Kind.PICTURE).get(0)));
        cut.tracksOf(Track.Kind.SOUND).stream().map(cut.tracks()::get).forEach(tracks::add);
        remarkCuts(cut, tracks.get(0), remarks);
        EdlReels reels = new EdlReels(options.shortReels());
        EdlLines lines = new EdlLines(cut, reels, remarks);
        List<EdlLines.Block> blocks = new ArrayList<>();
        int soundTrack = 0;
        for (Track track : tracks) {
            String column = track.kind() == Track.Kind.PICTURE ? "V" : soundTrack(track, ++soundTrack);
            if (track.kind() == Track.Kind.SOUND && !track.enabled()) {
                remarks.add(Remark.note("track " + track.name(), "The track is switched off: it is not in the list"));
                continue;
            }
            blocks.addAll(lines.blocks(onlyEnabled(track, remarks), column));
        }
        blocks.addAll(lines.blackAround(tracks));
        blocks.sort(Comparator.comparingLong(EdlLines.Block::recordIn));
        return new WrittenFile(lines.assemble(blocks).getBytes(StandardCharsets.UTF_8), remarks, reels.changed());
    }

    /** A list tells where a transition begins and how long it is, and not where the cut inside it lies (common practice). */
    private static void remarkCuts(Cut cut, Track track, List<Remark> remarks) {
        Set<Long> ends = new HashSet<>();
        track.events().forEach(e -> ends.add(e.record().out()));
        for (Transition t : track.transitions()) {
            long off = Math.abs(2 * t.cut() - t.record().in() - t.record().out());
            if (off > 1 && ends.contains(t.record().out())) {
                remarks.add(Remark.loss(cut.timecodeAt(t.record().in()).label(), "The cut of this transition does not lie in its middle, "
                        + "which a list cannot tell: read back it does"));
            }
        }
    }

    private static String soundTrack(Track track, int order) {
        boolean named = track.name().matches("A[1-9]\\d?");
        String name = named ? track.name() : "A" + order;
        return name.equals("A1") ? "A" : name;
    }

    private static Track onlyEnabled(Track track, List<Remark> remarks) {
        List<Event> enabled = track.events().stream().filter(Event::enabled).toList();
        int off = track.events().size() - enabled.size();
        if (off > 0) {
            remarks.add(Remark.note("track " + track.name(), Amounts.of(off, "event that is switched off is", "events that are switched off are")
                    + " not in the list"));
        }
        return new Track(track.kind(), track.name(), track.enabled(), enabled, track.transitions());
    }

    /** The one track there is, or the live picture laid out as one. */
    private static Track flattened(Cut cut, List<Remark> remarks) {
        List<Track> tracks = cut.tracksOf(Track.Kind.PICTURE).stream().map(cut.tracks()::get).toList();
        boolean plain = tracks.size() == 1 && tracks.get(0).enabled()
                && tracks.get(0).events().stream().allMatch(e -> e.kind() == Event.Kind.CLIP);
        if (plain) {
            return tracks.get(0);
        }
        List<LiveEvent> live = LivePicture.of(cut);
        Map<Event, Long> seen = new HashMap<>();
        List<Event> events = new ArrayList<>();
        for (LiveEvent clip : live) {
            Event event = clip.event();
            seen.merge(event, clip.record().length(), Long::sum);
            events.add(new Event(event.number(), Event.Kind.CLIP, event.wordsOrName(), true, clip.record(), event.source(),
                    clip.time(), null, event.comments()));
        }
        remarkHidden(cut, seen, remarks);
        Set<Long> ins = new HashSet<>();
        Set<Long> outs = new HashSet<>();
        events.forEach(e -> ins.add(e.record().in()));
        events.forEach(e -> outs.add(e.record().out()));
        List<Transition> transitions = tracks.stream().filter(Track::enabled).flatMap(l -> l.transitions().stream())
                .filter(t -> ins.contains(t.record().in()) || outs.contains(t.record().out())).toList();
        return new Track(Track.Kind.PICTURE, "V1", true, events, transitions);
    }

    private static void remarkHidden(Cut cut, Map<Event, Long> seen, List<Remark> remarks) {
        for (int index : cut.tracksOf(Track.Kind.PICTURE)) {
            Track track = cut.tracks().get(index);
            long hidden = track.events().stream().filter(e -> e.kind() != Event.Kind.NESTED)
                    .filter(e -> seen.getOrDefault(e, 0L) < e.record().length()).count();
            if (hidden > 0) {
                remarks.add(Remark.note("track " + track.name(), Amounts.of(hidden, "event lies", "events lie") + " under another track or "
                        + (hidden == 1 ? "is " : "are ")
                        + "switched off, wholly or in part; the list holds only what is seen"));
            }
        }
    }
}
