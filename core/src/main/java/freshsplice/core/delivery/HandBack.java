package freshsplice.core.delivery;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Passage;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;

/**
 * The list that is handed back: the master as a cut whose events name our renders and the renders' own timecode, so
 * that the edit room's next cut names our shots and frames back to us.
 */
public final class HandBack {
    /**
     * A finished render.
     *
     * @param name  its name
     * @param file  its file's name
     * @param range what of the shot it shows
     */
    public record Rendered(RenderName name, String file, RenderRange range) {
    }

    /** @param cut the list; @param remarks sections that no render covers */
    public record HandedBack(Cut cut, List<Remark> remarks) {
    }

    private HandBack() {
    }

    /**
     * @param masters finds nested masters by id
     * @param renders newest finished render by shot id
     * @param codes   shot code by shot id
     * @param sound   sound lanes to hand back with it, on the master's clock
     */
    public static HandedBack of(Master master, LongFunction<Master> masters, Map<Long, Rendered> renders,
                                Map<Long, String> codes, List<Lane> sound) {
        List<Remark> remarks = new ArrayList<>();
        List<Event> events = new ArrayList<>();
        List<Transition> transitions = new ArrayList<>();
        List<Section> sections = pieces(master, masters);
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            Section next = i + 1 < sections.size() ? sections.get(i + 1) : null;
            FrameRange seen = section.seen(next);
            if (section.shotId() == 0) {
                if (section.content() instanceof Section.Content.Slate slate) {
                    remarks.add(Remark.loss("slate at " + Timecode.of(section.record().in(), master.rate(),
                            master.dropFrame()), "\"" + slate.text() + "\" has no picture: the list is black there"));
                }
                continue;
            }
            events.add(event(master, section, seen, renders.get(section.shotId()),
                    codes.getOrDefault(section.shotId(), ""), remarks));
            addTransitions(section, transitions);
        }
        List<Lane> lanes = new ArrayList<>();
        lanes.add(new Lane(Lane.Kind.PICTURE, "V1", true, events, transitions));
        lanes.addAll(sound);
        Cut cut = new Cut(master.name(), master.rate(), master.dropFrame(), FrameRange.of(master.start(),
                Math.max(master.start(), master.end())), lanes, List.of());
        return new HandedBack(cut, remarks);
    }

    /** What is live over all lanes; pieces that are switched off stay in the list, switched off, where nothing is. */
    private static List<Section> pieces(Master master, LongFunction<Master> masters) {
        List<Section> pieces = new ArrayList<>(new LivePieces(masters).of(master).stream()
                .map(LivePieces.Live::section).toList());
        for (Section section : master.main().sections()) {
            if (!section.enabled() && pieces.stream().noneMatch(p -> p.record().overlaps(section.record()))) {
                pieces.add(section);
            }
        }
        pieces.sort(Comparator.comparingLong(s -> s.record().in()));
        return pieces;
    }

    private static Event event(Master master, Section section, FrameRange seen, Rendered render, String code,
                               List<Remark> remarks) {
        String place = code + " at " + Timecode.of(section.record().in(), master.rate(), master.dropFrame());
        FrameRange covered = render == null ? null : render.range().on(section);
        if (covered == null) {
            remarks.add(Remark.note(place, render == null ? "Not rendered: the list names the shot itself"
                    : "The newest render plays at another speed: the list names the shot itself"));
            Source source = new Source(code, code, null, master.rate(), null, null);
            return event(section, code, seen, source, timeOf(section, seen));
        }
        if (covered.in() > seen.in() || covered.out() < seen.out()) {
            remarks.add(Remark.loss(place, render.name() + " covers " + covered.overlapWith(seen) + " of "
                    + seen.length() + " frames: render it again"));
        }
        String name = render.name().toString();
        Source source = new Source(name, name, render.file(), master.rate(), render.range().startTimecode(),
                render.range().frames());
        Rational from = Rational.of(render.range().startTimecode() + seen.in() - covered.in());
        return event(section, name, seen, source, TimeMap.constant(seen, from, Rational.ONE));
    }

    /** The course of a piece; where it bends, by the frames that it shows. */
    private static TimeMap timeOf(Section section, FrameRange seen) {
        if (section.isEven()) {
            return TimeMap.constant(seen, section.at(seen.in()), section.speed());
        }
        List<TimeMap.Key> keys = new ArrayList<>();
        for (long f = seen.in(); f <= seen.out(); f++) {
            keys.add(new TimeMap.Key(f, section.at(f)));
        }
        return new TimeMap(keys, false);
    }

    /** A piece that is switched off is handed back switched off. */
    private static Event event(Section section, String name, FrameRange seen, Source source, TimeMap time) {
        return new Event(null, Event.Kind.CLIP, name, section.enabled(), seen, source, time, null, List.of());
    }

    private static void addTransitions(Section section, List<Transition> transitions) {
        Passage head = section.head();
        if (head != null) {
            transitions.add(new Transition(kind(head), FrameRange.of(section.record().in() - head.before(),
                    section.record().in() + head.after()), section.record().in(), null));
        }
        Passage tail = section.tail();
        if (tail != null) {
            transitions.add(Transition.centred(kind(tail), FrameRange.of(section.record().out() - tail.before(),
                    section.record().out() + tail.after()), null));
        }
    }

    private static Transition.Kind kind(Passage passage) {
        return passage.kind() == Passage.Kind.WIPE ? Transition.Kind.WIPE : Transition.Kind.DISSOLVE;
    }
}
