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
    /** A piece as a cut has it. @param source what tells its source from others; @param channel of its file, 0 for all */
    public record Piece(String lane, String source, int channel, FrameRange record, Rational fromSeconds) {
        private boolean hasContentOf(Piece other) {
            return record.length() == other.record.length() && fromSeconds.equals(other.fromSeconds);
        }

        private boolean isOf(Piece other) {
            return source.equals(other.source) && channel == other.channel;
        }
    }

    /** A piece as it is laid. @param source null where it was laid by hand; @param before how it lay before the picture was changed */
    public record Laid(long id, String lane, String source, int channel, SoundClip before) {
        private Piece asPiece() {
            return new Piece(lane, source, channel, before.record(), before.fromSeconds());
        }
    }

    /** @param placed pieces that come to lie as in the cut, by the ids of what is laid; @param gone ids; @param added pieces that are new */
    public record Outcome(Map<Long, Piece> placed, Set<Long> gone, List<Piece> added) {
    }

    private final List<Piece> older;
    private final FrameRate rate;
    private final Map<Piece, List<Laid>> laidOf = new HashMap<>();
    private final Map<Long, Piece> placed = new HashMap<>();
    private final Set<Long> gone = new HashSet<>();
    private final List<Piece> added = new ArrayList<>();

    private SoundOfNewerCut(List<Piece> older, FrameRate rate) {
        this.older = older;
        this.rate = rate;
    }

    /**
     * @param older the sound of the cut that the master was held against
     * @param newer the sound of the newer cut; none says nothing of sound
     */
    public static Outcome of(List<Laid> laid, List<Piece> older, List<Piece> newer, FrameRate rate) {
        return newer.isEmpty() ? new Outcome(Map.of(), Set.of(), List.of()) : new SoundOfNewerCut(older, rate).outcome(laid, newer);
    }

    private Outcome outcome(List<Laid> laid, List<Piece> newer) {
        List<Laid> known = laid.stream().filter(l -> l.source() != null).toList();
        known.forEach(l -> nearest(l.asPiece(), older).ifPresent(origin -> laidOf.computeIfAbsent(origin, k -> new ArrayList<>()).add(l)));
        Set<Piece> left = new HashSet<>(older);
        for (Piece piece : newer) {
            Piece origin = nearest(piece, older.stream().filter(left::contains).toList()).orElse(null);
            left.remove(origin);
            take(piece, origin);
        }
        left.forEach(origin -> laidOf.getOrDefault(origin, List.of()).forEach(l -> gone.add(l.id())));
        return new Outcome(placed, gone, added);
    }

    private void take(Piece piece, Piece origin) {
        List<Laid> laid = origin == null ? List.of() : laidOf.getOrDefault(origin, List.of());
        boolean changes = origin == null || !piece.hasContentOf(origin) || !piece.lane().equals(origin.lane());
        if (laid.isEmpty()) {
            // one that people took out stays out as long as the cut leaves it as it was
            if (changes) {
                added.add(piece);
            }
        } else if (changes || laid.size() == 1 && laid.get(0).asPiece().equals(origin)) {
            placed.put(laid.get(0).id(), piece);
            laid.stream().skip(1).forEach(l -> gone.add(l.id()));
        }
    }

    /** The piece of the same source that has most of the same sound; of equal ones the nearest on the clock. */
    private Optional<Piece> nearest(Piece piece, List<Piece> all) {
        return all.stream().filter(p -> p.isOf(piece)).filter(p -> shared(p, piece) > 0 || p.record().overlaps(piece.record()))
                .max(Comparator.comparingDouble((Piece p) -> shared(p, piece)).thenComparing(p -> Objects.equals(p.lane(), piece.lane()))
                        .thenComparing(p -> -Math.abs(p.record().in() - piece.record().in())));
    }

    /** Seconds of the file that both are heard with. */
    private double shared(Piece one, Piece other) {
        return Math.max(0, Math.min(end(one), end(other)) - Math.max(one.fromSeconds().toDouble(), other.fromSeconds().toDouble()));
    }

    private double end(Piece piece) {
        return piece.fromSeconds().plus(rate.seconds(piece.record().length())).toDouble();
    }
}
