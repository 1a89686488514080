package freshsplice.core.conform;

import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where neighbouring clips meet, in the cut, in the shots and in the renders, and by how many frames they differ. */
public final class Seams {
    /**
     * One clip of the master with what the other two tracks have for it, all on the record clock.
     *
     * @param shots  its place in the master
     * @param cut    its place in the cut; null where the cut has none
     * @param render what its newest finished render covers; null without one
     * @param runsOn whether it goes on in the next as if they were one clip: the other tracks have no seam there
     */
    public record Triple(FrameRange shots, FrameRange cut, FrameRange render, boolean runsOn) {
    }

    /**
     * The line between two clips.
     *
     * @param left      index of the clip before; −1 at the head
     * @param right     index of the clip after; −1 at the end
     * @param shots     record frame in the master
     * @param cut       record frame in the cut; null where it has no such seam
     * @param render    record frame in the renders; null where there are none
     * @param cutOffset   frames by which the shots lie later than the cut
     * @param renderOffset frames by which the renders lie later than the shots
     */
    public record Seam(int left, int right, long shots, Long cut, Long render, long cutOffset, long renderOffset) {
        public boolean isOffset() {
            return cutOffset != 0 || renderOffset != 0;
        }
    }

    private Seams() {
    }

    /** The seams of clips in record order; two where a gap parts neighbours. */
    public static List<Seam> of(List<Triple> clips) {
        List<Seam> seams = new ArrayList<>();
        for (int i = 0; i < clips.size(); i++) {
            boolean meets = i > 0 && clips.get(i - 1).shots().out() == clips.get(i).shots().in();
            if (!meets) {
                seams.add(seam(clips, -1, i));
            }
            boolean goesOn = i + 1 < clips.size() && clips.get(i + 1).shots().in() == clips.get(i).shots().out();
            seams.add(seam(clips, i, goesOn ? i + 1 : -1));
        }
        return seams;
    }

    private static Seam seam(List<Triple> clips, int left, int right) {
        Optional<Triple> before = Optional.ofNullable(left < 0 ? null : clips.get(left));
        Optional<Triple> after = Optional.ofNullable(right < 0 ? null : clips.get(right));
        long shots = before.map(t -> t.shots().out()).orElseGet(() -> after.orElseThrow().shots().in());
        if (right >= 0 && before.isPresent() && before.get().runsOn()) {
            return new Seam(left, right, shots, null, null, 0, 0);
        }
        Long cut = farther(shots, before.map(Triple::cut).map(FrameRange::out),
                after.map(Triple::cut).map(FrameRange::in));
        Long render = farther(shots, before.map(Triple::render).map(FrameRange::out),
                after.map(Triple::render).map(FrameRange::in));
        return new Seam(left, right, shots, cut, render, cut == null ? 0 : shots - cut,
                render == null ? 0 : render - shots);
    }

    /** Both sides of a seam may differ from it: the one farther off is shown, so that none is hidden. */
    private static Long farther(long from, Optional<Long> left, Optional<Long> right) {
        if (left.isPresent() && right.isPresent()) {
            return Math.abs(left.get() - from) >= Math.abs(right.get() - from) ? left.get() : right.get();
        }
        return left.or(() -> right).orElse(null);
    }
}
