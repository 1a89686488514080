package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Copied clips, put into a master. */
public final class Pasting {
    private Pasting() {
    }

    /**
     * Puts copies of clips in from a record frame on, with the gaps that lay between them.
     *
     * @param rate   the rate of the master that they were copied from
     * @param track   index of the track
     * @param insert what comes after is pushed along; else they are laid over what is there
     * @throws IllegalArgumentException if the rates differ, or there is nothing to put in
     */
    public static Master put(Master master, int track, long at, List<Clip> clips, FrameRate rate, boolean insert) {
        if (clips.isEmpty()) {
            throw new Refusal("Nothing was copied that is still there");
        }
        if (!rate.equals(master.rate())) {
            throw new Refusal("These clips count " + rate + " frames a second and \"" + master.name()
                    + "\" counts " + master.rate() + ": frames of one are no frames of the other");
        }
        List<Clip> inOrder = new ArrayList<>(clips);
        inOrder.sort(Comparator.comparingLong(s -> s.record().in()));
        long first = inOrder.get(0).record().in();
        FrameRange span = FrameRange.of(first, inOrder.stream().mapToLong(s -> s.record().out()).max().orElseThrow());
        Master room = insert ? Arranging.opened(master, at, span.length()) : master;
        long end = first;
        for (Clip clip : inOrder) {
            if (clip.record().in() < end) {
                throw new Refusal("These clips lie over each other on several tracks: copy those of "
                        + "one track at a time");
            }
            end = clip.record().out();
            room = Arranging.overwrite(room, track, clip.shiftedBy(at - first).fresh());
        }
        return Master.checked(room);
    }
}
