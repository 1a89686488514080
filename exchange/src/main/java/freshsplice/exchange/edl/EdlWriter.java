package freshsplice.exchange.edl;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.LivePiece;
import freshsplice.core.cut.Remark;
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
 * Writes edit decision lists. A list holds one picture lane: either one that is named, or the live picture of all,
 * and a remark says what that hides. Sound lanes follow on their own tracks.
 */
public final class EdlWriter implements CutWriter {
    @Override
    public String format() {
        return "edl";
    }

    @Override
    public WrittenFile write(Cut cut, WriteOptions options) {
        List<Remark> remarks = new ArrayList<>();
        List<Lane> lanes = new ArrayList<>();
        Cut chosen = options.only(cut);
        lanes.add(options.lane() == null ? flattened(cut, remarks)
                : chosen.lanes().get(chosen.lanesOf(Lane.Kind.PICTURE).get(0)));
        cut.lanesOf(Lane.Kind.SOUND).stream().map(cut.lanes()::get).forEach(lanes::add);
        remarkCuts(cut, lanes.get(0), remarks);
        EdlReels reels = new EdlReels(options.shortReels());
        EdlLines lines = new EdlLines(cut, reels, remarks);
        List<EdlLines.Block> blocks = new ArrayList<>();
        int soundTrack = 0;
        for (Lane lane : lanes) {
            String track = lane.kind() == Lane.Kind.PICTURE ? "V" : soundTrack(lane, ++soundTrack);
            if (lane.kind() == Lane.Kind.SOUND && !lane.enabled()) {
                remarks.add(Remark.note("lane " + lane.name(), "The lane is switched off: it is not in the list"));
                continue;
            }
            blocks.addAll(lines.blocks(onlyEnabled(lane, remarks), track));
        }
        blocks.addAll(lines.blackAround(lanes));
        blocks.sort(Comparator.comparingLong(EdlLines.Block::recordIn));
        return new WrittenFile(lines.assemble(blocks).getBytes(StandardCharsets.UTF_8), remarks, reels.changed());
    }

    /** A list tells where a transition begins and how long it is, and not where the cut inside it lies (common practice). */
    private static void remarkCuts(Cut cut, Lane lane, List<Remark> remarks) {
        Set<Long> ends = new HashSet<>();
        lane.events().forEach(e -> ends.add(e.record().out()));
        for (Transition t : lane.transitions()) {
            long off = Math.abs(2 * t.cut() - t.record().in() - t.record().out());
            if (off > 1 && ends.contains(t.record().out())) {
                remarks.add(Remark.loss(cut.timecodeAt(t.record().in()).label(), "The cut of this transition does not lie in its middle, "
                        + "which a list cannot tell: read back it does"));
            }
        }
    }

    private static String soundTrack(Lane lane, int order) {
        boolean named = lane.name().matches("A[1-9]\\d?");
        String name = named ? lane.name() : "A" + order;
        return name.equals("A1") ? "A" : name;
    }

    private static Lane onlyEnabled(Lane lane, List<Remark> remarks) {
        List<Event> enabled = lane.events().stream().filter(Event::enabled).toList();
        int off = lane.events().size() - enabled.size();
        if (off > 0) {
            remarks.add(Remark.note("lane " + lane.name(), Amounts.of(off, "event that is switched off is", "events that are switched off are")
                    + " not in the list"));
        }
        return new Lane(lane.kind(), lane.name(), lane.enabled(), enabled, lane.transitions());
    }

    /** The one lane there is, or the live picture laid out as one. */
    private static Lane flattened(Cut cut, List<Remark> remarks) {
        List<Lane> lanes = cut.lanesOf(Lane.Kind.PICTURE).stream().map(cut.lanes()::get).toList();
        boolean plain = lanes.size() == 1 && lanes.get(0).enabled()
                && lanes.get(0).events().stream().allMatch(e -> e.kind() == Event.Kind.CLIP);
        if (plain) {
            return lanes.get(0);
        }
        List<LivePiece> live = LivePicture.of(cut);
        Map<Event, Long> seen = new HashMap<>();
        List<Event> events = new ArrayList<>();
        for (LivePiece piece : live) {
            Event event = piece.event();
            seen.merge(event, piece.record().length(), Long::sum);
            events.add(new Event(event.number(), Event.Kind.CLIP, event.wordsOrName(), true, piece.record(), event.source(),
                    piece.time(), null, event.comments()));
        }
        remarkHidden(cut, seen, remarks);
        Set<Long> ins = new HashSet<>();
        Set<Long> outs = new HashSet<>();
        events.forEach(e -> ins.add(e.record().in()));
        events.forEach(e -> outs.add(e.record().out()));
        List<Transition> transitions = lanes.stream().filter(Lane::enabled).flatMap(l -> l.transitions().stream())
                .filter(t -> ins.contains(t.record().in()) || outs.contains(t.record().out())).toList();
        return new Lane(Lane.Kind.PICTURE, "V1", true, events, transitions);
    }

    private static void remarkHidden(Cut cut, Map<Event, Long> seen, List<Remark> remarks) {
        for (int index : cut.lanesOf(Lane.Kind.PICTURE)) {
            Lane lane = cut.lanes().get(index);
            long hidden = lane.events().stream().filter(e -> e.kind() != Event.Kind.NESTED)
                    .filter(e -> seen.getOrDefault(e, 0L) < e.record().length()).count();
            if (hidden > 0) {
                remarks.add(Remark.note("lane " + lane.name(), Amounts.of(hidden, "event lies", "events lie") + " under another lane or "
                        + (hidden == 1 ? "is " : "are ")
                        + "switched off, wholly or in part; the list holds only what is seen"));
            }
        }
    }
}
