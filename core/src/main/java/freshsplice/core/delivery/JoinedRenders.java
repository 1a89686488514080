package freshsplice.core.delivery;

import freshsplice.core.master.SeenClip;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The finished renders that a master is joined from: for a shot's exact frame the one that stands for it, as {@link Cover} has it, or
 * another that shows it.
 */
public final class JoinedRenders {
    /** A frame of a render, counted from 0. */
    public record RenderFrame(FinishedRender render, long frame) {
    }

    private final Map<Long, List<Cover.Part>> standing = new TreeMap<>();
    private final ShotRenders renders;
    /** Frames of renders whose speed changes, by what they show. */
    private final Map<RenderRange, Map<Rational, Long>> retimed = new HashMap<>();

    /** @param clips of the master that is joined */
    public JoinedRenders(Collection<SeenClip> clips, ShotRenders renders) {
        this.renders = renders;
        for (SeenClip clip : clips) {
            standing.computeIfAbsent(clip.clip().shotId(), id -> new ArrayList<>()).addAll(renders.cover(clip).parts());
        }
    }

    /** What stands for a shot's exact frame; empty where nothing does and it is to be drawn. */
    public Optional<RenderFrame> at(long shotId, Rational position) {
        for (Cover.Part part : standing.getOrDefault(shotId, List.of())) {
            Long frame = frame(part.render().range(), position);
            if (frame != null && part.record().contains(part.place().in() + frame)) {
                return Optional.of(new RenderFrame(part.render(), frame));
            }
        }
        for (FinishedRender render : renders.ofShot(shotId)) {
            Long frame = frame(render.range(), position);
            if (frame != null) {
                return Optional.of(new RenderFrame(render, frame));
            }
        }
        return Optional.empty();
    }

    private Long frame(RenderRange range, Rational position) {
        if (!range.retimeKeys().isEmpty()) {
            return retimed.computeIfAbsent(range, JoinedRenders::frames).get(position);
        }
        if (range.speed().isZero()) {
            return range.from().equals(position) ? (Long) 0L : null;
        }
        Rational frame = position.minus(range.from()).dividedBy(range.speed());
        return frame.isWhole() && frame.floor() >= 0 && frame.floor() < range.frames() ? (Long) frame.floor() : null;
    }

    private static Map<Rational, Long> frames(RenderRange range) {
        Map<Rational, Long> frames = new HashMap<>();
        for (long k = 0; k < range.frames(); k++) {
            frames.putIfAbsent(range.positionOf(k), k);
        }
        return frames;
    }

    /** Every render that any frame may be taken from: all of the shots that are shown. */
    public List<FinishedRender> all() {
        return standing.keySet().stream().flatMap(shot -> renders.ofShot(shot).stream()).toList();
    }

    /** Tells what is joined from what would be joined otherwise. */
    public String digest() {
        StringBuilder text = new StringBuilder();
        standing.forEach((shot, parts) -> parts.forEach(p -> text.append(shot).append(' ').append(p.record()).append(' ').append(p.place().in())
                .append(' ').append(p.render().id()).append('\n')));
        return Fingerprint.digest(text.toString());
    }
}
