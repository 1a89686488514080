package freshsplice.core.delivery;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Generator;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.master.Transition;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.time.Timecode;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The list that is handed back: the master as a cut whose events name our renders and the renders' own timecode, so
 * that the edit room's next cut names our shots and frames back to us.
 */
public final class HandBack {
    /**
     * A shot as the edit room knows it.
     *
     * @param code   its code
     * @param anchor what of the edit it was made from
     * @param board  the edit room's own source; null where it has none
     */
    public record KnownShot(String code, Shot.Anchor anchor, Source board) {
    }

    /** What stands where no render is. */
    public enum Rest { BOARD, GAP }

    /**
     * How many clips are handed back how.
     *
     * @param clips   all that show shots
     * @param rendered whole, under a render that is what would be made now
     * @param part     in part under a render
     * @param stale    under a render that is stale, whole or in part
     * @param none     without a render
     */
    public record Tally(int clips, int rendered, int part, int stale, int none) {
    }

    /** @param cut the list; @param remarks what it does not show as our renders would; @param tally in figures */
    public record HandedBack(Cut cut, List<Remark> remarks, Tally tally) {
        /** The same with more to say. */
        public HandedBack saying(List<Remark> more) {
            return new HandedBack(cut, Stream.concat(remarks.stream(), more.stream()).toList(), tally);
        }
    }

    private final Master master;
    private final LongFunction<Master> masters;
    private final ShotRenders renders;
    private final Map<Long, KnownShot> shots;
    private final Rest rest;
    private final List<Event> events = new ArrayList<>();
    private final List<freshsplice.core.cut.Transition> transitions = new ArrayList<>();
    private final List<Remark> remarks = new ArrayList<>();
    private int rendered;
    private int part;
    private int stale;
    private int none;

    private HandBack(Master master, LongFunction<Master> masters, ShotRenders renders, Map<Long, KnownShot> shots, Rest rest) {
        this.master = master;
        this.masters = masters;
        this.renders = renders;
        this.shots = shots;
        this.rest = rest;
    }

    /**
     * @param masters finds nested masters by id
     * @param renders finished renders of the grades that are good enough
     * @param shots   all shots by id
     * @param rest    what stands where no render is
     * @param sound   sound tracks to hand back with it, on the master's clock
     * @param markers   markers, on the master's clock
     */
    public static HandedBack of(Master master, LongFunction<Master> masters, ShotRenders renders,
                                Map<Long, KnownShot> shots, Rest rest, List<Track> sound, List<Marker> markers) {
        return new HandBack(master, masters, renders, shots, rest).with(sound, markers);
    }

    private HandedBack with(List<Track> sound, List<Marker> markers) {
        List<Clip> clips = clips();
        for (int i = 0; i < clips.size(); i++) {
            // what is switched off passes into nothing
            Clip clip = clips.get(i).enabled() ? clips.get(i) : clips.get(i).withTransitions(null, null);
            if (clip.shotId() != 0) {
                add(clip, i + 1 < clips.size() ? clips.get(i + 1) : null);
            } else if (clip.content() instanceof Clip.Content.Slate slate) {
                addTitle(clip, slate);
            }
        }
        List<Track> tracks = new ArrayList<>();
        tracks.add(new Track(Track.Kind.PICTURE, "V1", true, events, transitions));
        tracks.addAll(sound);
        Cut cut = new Cut(master.name(), master.rate(), master.dropFrame(), FrameRange.of(master.start(),
                Math.max(master.start(), master.end())), tracks, markers);
        return new HandedBack(cut, remarks, new Tally(rendered + part + none + stale, rendered, part, stale, none));
    }

    /** A slate is the generator that it came as, or a title of its words, in the lists that can carry one. */
    private void addTitle(Clip clip, Clip.Content.Slate slate) {
        Generator made = slate.made() == null ? new Generator(slate.text(), null) : slate.made();
        events.add(new Event(null, Event.Kind.GENERATOR, made.name(), clip.enabled(), clip.record(), null,
                TimeMap.constant(clip.record(), Rational.ZERO, Rational.ONE), null, List.of(), made.kept())
                .saying(made.name().equals(slate.text()) ? null : slate.text()));
        addTransitions(clip);
    }

    private String label(long record) {
        return Timecode.of(record, master.rate(), master.dropFrame()).label();
    }

    /** What is live over all tracks; clips that are switched off stay in the list, switched off, where nothing is. */
    private List<Clip> clips() {
        List<Clip> clips = new ArrayList<>(new LiveClips(masters).of(master).stream()
                .map(LiveClips.Live::clip).toList());
        for (Clip clip : master.main().clips()) {
            if (!clip.enabled() && clips.stream().noneMatch(p -> p.record().overlaps(clip.record()))) {
                clips.add(clip);
            }
        }
        clips.sort(Comparator.comparingLong(s -> s.record().in()));
        return clips;
    }

    private void add(Clip clip, Clip next) {
        SeenClip seen = new SeenClip(clip, clip.seen(next));
        List<Part> parts = new ArrayList<>();
        for (Cover.Part part : renders.cover(seen).parts()) {
            FrameRange covered = CoveredPart.of(clip, next, part.record());
            if (covered != null) {
                parts.add(new Part(covered, part.place(), part.render()));
            }
        }
        String where = label(clip.record().in());
        if (parts.isEmpty()) {
            none++;
            remarks.add(withoutRender(code(clip) + " at " + where, seen));
        } else {
            count(where, seen, parts);
        }
        long to = seen.seen().in();
        for (Part part : parts) {
            addRest(clip, next, FrameRange.of(to, part.covered().in()));
            addRendered(clip, part, parts.size() == 1 ? seen.seen() : part.covered());
            to = part.covered().out();
        }
        addRest(clip, next, FrameRange.of(to, seen.seen().out()));
        addTransitions(clip);
    }

    /**
     * What one render shows of a clip as an event of its own.
     *
     * @param covered record frames
     * @param place   record frames at which all its frames lie
     */
    private record Part(FrameRange covered, FrameRange place, FinishedRender render) {
    }

    private Remark withoutRender(String where, SeenClip clip) {
        List<FinishedRender> known = renders.ofShot(clip.clip().shotId());
        if (known.isEmpty()) {
            return Remark.note(where, "not rendered: " + restWords());
        }
        FinishedRender newest = known.get(0);
        String why = newest.range().on(clip.clip()) == null ? " plays at another speed" : " has none of its frames";
        return Remark.loss(where, newest.name() + why + ": " + restWords());
    }

    private String restName() {
        return rest == Rest.BOARD ? "the edit room's own source" : "a gap";
    }

    private String restWords() {
        return "the list has " + restName() + " there";
    }

    /** Counts a clip, and remarks on what is not as it should be. */
    private void count(String where, SeenClip clip, List<Part> parts) {
        boolean isStale = false;
        for (Part part : parts) {
            String text = staleWords(part.render());
            isStale |= text != null;
            if (text != null) {
                remarks.add(Remark.loss(where, text));
            }
        }
        long covered = parts.stream().mapToLong(p -> p.covered().length()).sum();
        boolean isPart = covered < clip.seen().length();
        if (isPart) {
            String names = parts.stream().map(p -> p.render().name().toString()).distinct().collect(Collectors.joining(" and "));
            remarks.add(Remark.loss(where, names + (parts.size() == 1 ? " covers " : " cover ") + covered + " of "
                    + Amounts.frames(clip.seen().length()) + "; the rest is " + restName()));
        }
        stale += isStale ? 1 : 0;
        part += !isStale && isPart ? 1 : 0;
        rendered += !isStale && !isPart ? 1 : 0;
    }

    private String staleWords(FinishedRender render) {
        List<String> changed = renders.changedSince(render);
        return changed.isEmpty() ? null : render.name() + " is stale: " + String.join(" and ", changed) + " changed";
    }

    /** The words that a list carries with an event. @param wanted record frames that the render should have */
    private List<String> said(Part part, FrameRange wanted) {
        List<String> said = new ArrayList<>();
        String staleWords = staleWords(part.render());
        if (staleWords != null) {
            said.add(staleWords);
        }
        if (part.covered().length() < wanted.length()) {
            said.add(part.render().name() + " covers " + part.covered().length() + " of " + Amounts.frames(wanted.length()));
        }
        return said;
    }

    private void addRendered(Clip clip, Part part, FrameRange wanted) {
        FinishedRender render = part.render();
        String name = render.name().toString();
        Source source = new Source(name, name, render.file(), master.rate(), render.range().startTimecode(), render.range().frames());
        Rational from = Rational.of(render.range().startTimecode() + part.covered().in() - part.place().in());
        events.add(event(clip, name, part.covered(), source, TimeMap.constant(part.covered(), from, Rational.ONE),
                said(part, wanted)));
    }

    /** What no render shows: the edit room's own source, so that it stays on-line there; or nothing, but under a transition. */
    private void addRest(Clip clip, Clip next, FrameRange range) {
        FrameRange seen = clip.seen(next);
        boolean passes = range.in() < CoveredPart.headEnd(clip, seen) && range.in() == seen.in()
                || range.out() > CoveredPart.tailBegin(clip, next, seen);
        if (range.isEmpty() || rest == Rest.GAP && !passes) {
            return;
        }
        if (rest == Rest.GAP) {
            remarks.add(Remark.note(code(clip) + " at " + label(range.in()),
                    "A transition needs a picture: the edit room's own source stands under it, and no gap"));
        }
        KnownShot shot = shots.get(clip.shotId());
        Source board = shot == null ? null : shot.board();
        if (board == null) {
            String code = code(clip);
            events.add(event(clip, code, range, new Source(code, code, null, master.rate(), null, null),
                    timeOf(clip, range, false, UnaryOperator.identity()), List.of()));
        } else {
            FrameRange there = passes || board.isStill() ? range : BeforeMedia.left(range, board, r -> shot.anchor().sourceAt(clip.at(r)));
            if (!there.equals(range)) {
                remarks.add(Remark.loss(code(clip) + " at " + label(range.in()), Amounts.frames(range.length() - there.length())
                        + " lie before the first frame of " + board.label() + ": the list has a gap there"));
            }
            if (there.isEmpty()) {
                return;
            }
            events.add(event(clip, board.label(), there, board, timeOf(clip, there, shot.anchor().course() != null, shot.anchor()::sourceAt),
                    List.of()));
        }
    }

    private String code(Clip clip) {
        KnownShot shot = shots.get(clip.shotId());
        return shot == null ? "" : shot.code();
    }

    /** The course of a clip; where its speed changes, by the frames that it shows. @param as what a shot frame is in the source */
    private static TimeMap timeOf(Clip clip, FrameRange range, boolean keyed, UnaryOperator<Rational> as) {
        if (clip.isEven() && !keyed) {
            return TimeMap.between(range, as.apply(clip.at(range.in())), as.apply(clip.at(range.out())));
        }
        List<TimeMap.Key> keys = new ArrayList<>();
        for (long f = range.in(); f <= range.out(); f++) {
            keys.add(new TimeMap.Key(f, as.apply(clip.at(f))));
        }
        return new TimeMap(keys, false).withoutStraightKeys();
    }

    /** A clip that is switched off is handed back switched off. */
    private static Event event(Clip clip, String name, FrameRange range, Source source, TimeMap time, List<String> said) {
        return new Event(null, Event.Kind.CLIP, name, clip.enabled(), range, source, time, null, said);
    }

    private void addTransitions(Clip clip) {
        Transition head = clip.head();
        if (head != null) {
            transitions.add(new freshsplice.core.cut.Transition(kind(head), FrameRange.of(clip.record().in() - head.before(),
                    clip.record().in() + head.after()), clip.record().in(), null));
        }
        Transition tail = clip.tail();
        if (tail != null) {
            transitions.add(freshsplice.core.cut.Transition.centred(kind(tail), FrameRange.of(clip.record().out() - tail.before(),
                    clip.record().out() + tail.after()), null));
        }
    }

    private static freshsplice.core.cut.Transition.Kind kind(Transition transition) {
        return transition.kind() == Transition.Kind.WIPE ? freshsplice.core.cut.Transition.Kind.WIPE : freshsplice.core.cut.Transition.Kind.DISSOLVE;
    }
}
