package freshsplice.core.sound;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TimeMap;
import freshsplice.core.words.Amounts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.LongFunction;

/**
 * The sound under a master as tracks of a list that is handed back. No two clips of a track overlap but where one fades into
 * the other: other programs refuse a list that has such. What a list cannot tell is said.
 */
public final class HandedSound {
    /**
     * A clip as it is laid.
     *
     * @param source  what it plays, with the names that the edit room knows
     * @param level   decibels, its own
     * @param channel of its file, from 1; 0 for all
     */
    public record Laid(String track, Source source, SoundClip clip, double level, int channel) {
    }

    /** How a track is heard. @param heard false where it is muted, or another is heard alone; @param level decibels */
    public record Heard(boolean heard, double level) {
        /** A track that nobody touched. */
        public static final Heard PLAIN = new Heard(true, 0);
    }

    /** @param remarks what the tracks have otherwise than it is laid */
    public record Tracks(List<Track> tracks, List<Remark> remarks) {
    }

    private static final Comparator<String> BY_NUMBER = Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder());

    private final FrameRate rate;
    private final Map<String, Heard> heard;
    private final LongFunction<String> label;
    private final SortedMap<String, List<Laid>> tracks = new TreeMap<>(BY_NUMBER);
    private final List<Remark> remarks = new ArrayList<>();

    private HandedSound(FrameRate rate, Map<String, Heard> heard, LongFunction<String> label) {
        this.rate = rate;
        this.heard = heard;
        this.label = label;
    }

    /**
     * @param rate  of the list
     * @param heard tracks by name; those that are missing are heard as recorded
     * @param label the timecode of a record frame
     */
    public static Tracks of(List<Laid> laid, FrameRate rate, Map<String, Heard> heard, LongFunction<String> label) {
        HandedSound handed = new HandedSound(rate, heard, label);
        laid.stream().sorted(Comparator.comparing(Laid::track, BY_NUMBER).thenComparing(l -> l.clip().record().in())).forEach(l ->
                handed.tracks.computeIfAbsent(l.track(), k -> new ArrayList<>()).add(l));
        handed.putApart();
        return new Tracks(handed.tracks.entrySet().stream().map(e -> handed.track(e.getKey(), e.getValue())).toList(), handed.remarks);
    }

    /** Moves what lies over its neighbour onto a track where it lies alone. */
    private void putApart() {
        List<Laid> over = new ArrayList<>();
        for (List<Laid> track : tracks.values()) {
            long end = Long.MIN_VALUE;
            Laid before = null;
            for (Laid clip : List.copyOf(track)) {
                if (clip.clip().record().in() < end && !isCrossfade(before, clip)) {
                    track.remove(clip);
                    over.add(clip);
                } else {
                    end = clip.clip().record().out();
                    before = clip;
                }
            }
        }
        for (Laid clip : over) {
            String free = FreeTrack.of(taken(clip), clip.clip().record(), null);
            remarks.add(Remark.note(where(clip), "It lies over its neighbour on " + clip.track() + ", which a list cannot tell: it stands on " + free));
            tracks.computeIfAbsent(free, k -> new ArrayList<>()).add(clip);
        }
    }

    /** What of each track is taken for a clip: all of those that are heard otherwise than its own. */
    private SortedMap<String, List<FrameRange>> taken(Laid clip) {
        SortedMap<String, List<FrameRange>> ranges = new TreeMap<>(BY_NUMBER);
        tracks.forEach((name, clips) -> ranges.put(name, heardOf(name).heard() == heardOf(clip.track()).heard()
                ? clips.stream().map(p -> p.clip().record()).toList() : List.of(clip.clip().record())));
        return ranges;
    }

    private Heard heardOf(String track) {
        return heard.getOrDefault(track, Heard.PLAIN);
    }

    /** Whether one goes down just as the next comes up, over the frames that both have. */
    private static boolean isCrossfade(Laid before, Laid clip) {
        long shared = before.clip().record().out() - clip.clip().record().in();
        return before.clip().fadeOut() == shared && clip.clip().fadeIn() == shared && clip.clip().record().out() > before.clip().record().out()
                && clip.clip().record().in() > before.clip().record().in();
    }

    private Track track(String name, List<Laid> clips) {
        List<Laid> inOrder = clips.stream().sorted(Comparator.comparing(p -> p.clip().record().in())).toList();
        List<Transition> transitions = new ArrayList<>();
        for (int i = 0; i < inOrder.size(); i++) {
            FrameRange record = inOrder.get(i).clip().record();
            long endBefore = i == 0 ? Long.MIN_VALUE : inOrder.get(i - 1).clip().record().out();
            long beginAfter = i + 1 == inOrder.size() ? Long.MAX_VALUE : inOrder.get(i + 1).clip().record().in();
            if (endBefore > record.in()) {
                transitions.add(Transition.centred(Transition.Kind.DISSOLVE, FrameRange.of(record.in(), endBefore), null));
            } else {
                fade(transitions, inOrder.get(i), FrameRange.ofLength(record.in(), inOrder.get(i).clip().fadeIn()), record.in(), endBefore == record.in());
            }
            if (beginAfter >= record.out()) {
                fade(transitions, inOrder.get(i), FrameRange.of(record.out() - inOrder.get(i).clip().fadeOut(), record.out()), record.out(),
                        beginAfter == record.out());
            }
        }
        // a clip that was put here lay on a track that is heard alike
        boolean isHeard = heardOf(clips.get(0).track()).heard();
        return new Track(Track.Kind.SOUND, name, isHeard, inOrder.stream().map(this::event).toList(), transitions);
    }

    /** @param meets whether another clip is there: lists take a transition at a seam for one between both */
    private void fade(List<Transition> transitions, Laid clip, FrameRange over, long cut, boolean meets) {
        if (over.isEmpty()) {
            return;
        }
        if (meets) {
            remarks.add(Remark.note(where(clip), "Its fade of " + Amounts.frames(over.length()) + " where another clip meets it is not in the list"));
        } else {
            transitions.add(new Transition(Transition.Kind.DISSOLVE, over, cut, null));
        }
    }

    private Event event(Laid clip) {
        Source source = clip.source();
        FrameRate own = source.rate() == null ? rate : source.rate();
        Rational from = Rational.of(source.start() == null ? 0 : source.start()).plus(clip.clip().fromSeconds().times(own.fps()));
        FrameRange record = clip.clip().record();
        double level = clip.level() + heardOf(clip.track()).level();
        List<String> said = List.of();
        if (Math.abs(level) > 0.005) {
            String words = "LEVEL " + (level <= Level.SILENT ? "SILENT" : String.format(Locale.ROOT, "%+.1f DB", level));
            said = List.of(words);
            remarks.add(Remark.note(where(clip), "A list has no place for a level: it stands there as a comment, " + words));
        }
        return new Event(null, Event.Kind.CLIP, source.label(), true, record, source, TimeMap.constant(record, from, rate.framesOf(own)), null, said)
                .playing(clip.channel());
    }

    private String where(Laid clip) {
        return clip.source().label() + " on " + clip.track() + " at " + label.apply(clip.clip().record().in());
    }
}
