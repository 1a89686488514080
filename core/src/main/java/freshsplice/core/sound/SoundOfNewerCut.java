package freshsplice.core.sound;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What becomes of the sound under a master when a newer cut is taken in whole (common practice: a picture-only list says nothing of
 * sound, and what people did to sound outlives a list that leaves it as it was). Sound laid by hand stays. Sound of the cut follows the
 * newer cut where that changes it, with its level and fades, and stays as people made it where the cut does not.
 */
public final class SoundOfNewerCut {
    /** A clip as a cut has it. @param source what tells its source from others; @param channel of its file, 0 for all */
    public record Clip(String track, String source, int channel, FrameRange record, Rational fromSeconds) {
        private boolean hasContentOf(Clip other) {
            return record.length() == other.record.length() && fromSeconds.equals(other.fromSeconds);
        }

        private boolean isOf(Clip other) {
            return source.equals(other.source) && channel == other.channel;
        }
    }

    /** A clip as it is laid. @param source null where it was laid by hand; @param before how it lay before the picture was changed */
    public record Laid(long id, String track, String source, int channel, SoundClip before) {
        private Clip asClip() {
            return new Clip(track, source, channel, before.record(), before.fromSeconds());
        }
    }

    /** @param placed clips that come to lie as in the cut, by the ids of what is laid; @param gone ids; @param added clips that are new */
    public record Outcome(Map<Long, Clip> placed, Set<Long> gone, List<Clip> added) {
    }

    private final List<Clip> older;
    private final FrameRate rate;
    private final Map<Clip, List<Laid>> laidOf = new HashMap<>();
    private final Map<Long, Clip> placed = new HashMap<>();
    private final Set<Long> gone = new HashSet<>();
    private final List<Clip> added = new ArrayList<>();

    private SoundOfNewerCut(List<Clip> older, FrameRate rate) {
        this.older = older;
        this.rate = rate;
    }

    /**
     * @param older the sound of the cut that the master was held against
     * @param newer the sound of the newer cut; none says nothing of sound
     */
    public static Outcome of(List<Laid> laid, List<Clip> older, List<Clip> newer, FrameRate rate) {
        return newer.isEmpty() ? new Outcome(Map.of(), Set.of(), List.of()) : new SoundOfNewerCut(older, rate).outcome(laid, newer);
    }

    private Outcome outcome(List<Laid> laid, List<Clip> newer) {
        List<Laid> known = laid.stream().filter(l -> l.source() != null).toList();
        known.forEach(l -> nearest(l.asClip(), older).ifPresent(origin -> laidOf.computeIfAbsent(origin, k -> new ArrayList<>()).add(l)));
        Set<Clip> left = new HashSet<>(older);
        for (Clip clip : newer) {
            Clip origin = nearest(clip, older.stream().filter(left::contains).toList()).orElse(null);
            left.remove(origin);
            take(clip, origin);
        }
        left.forEach(origin -> laidOf.getOrDefault(origin, List.of()).forEach(l -> gone.add(l.id())));
        return new Outcome(placed, gone, added);
    }

    private void take(Clip clip, Clip origin) {
        List<Laid> laid = origin == null ? List.of() : laidOf.getOrDefault(origin, List.of());
        boolean changes = origin == null || !clip.hasContentOf(origin) || !clip.track().equals(origin.track());
        if (laid.isEmpty()) {
            // one that people took out stays out as long as the cut leaves it as it was
            if (changes) {
                added.add(clip);
            }
        } else if (changes || laid.size() == 1 && laid.get(0).asClip().equals(origin)) {
            placed.put(laid.get(0).id(), clip);
            laid.stream().skip(1).forEach(l -> gone.add(l.id()));
        }
    }

    /** The clip of the same source that has most of the same sound; of equal ones the nearest on the clock. */
    private Optional<Clip> nearest(Clip clip, List<Clip> all) {
        return all.stream().filter(p -> p.isOf(clip)).filter(p -> shared(p, clip) > 0 || p.record().overlaps(clip.record()))
                .max(Comparator.comparingDouble((Clip p) -> shared(p, clip)).thenComparing(p -> Objects.equals(p.track(), clip.track()))
                        .thenComparing(p -> -Math.abs(p.record().in() - clip.record().in())));
    }

    /** Seconds of the file that both are heard with. */
    private double shared(Clip one, Clip other) {
        return Math.max(0, Math.min(end(one), end(other)) - Math.max(one.fromSeconds().toDouble(), other.fromSeconds().toDouble()));
    }

    private double end(Clip clip) {
        return clip.fromSeconds().plus(rate.seconds(clip.record().length())).toDouble();
    }
}
