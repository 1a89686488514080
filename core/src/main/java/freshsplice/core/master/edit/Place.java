package freshsplice.core.master.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A clip of a master, by where it stands.
 *
 * @param track  index of its track
 * @param index its index on that track
 */
public record Place(int track, int index) {
    /**
     * The place of a clip.
     *
     * @throws IllegalArgumentException if it is not there any more
     */
    public static Place of(Master master, long clipId) {
        for (int track = 0; track < master.tracks().size(); track++) {
            List<Clip> clips = master.tracks().get(track).clips();
            for (int i = 0; i < clips.size(); i++) {
                if (clips.get(i).id() == clipId) {
                    return new Place(track, i);
                }
            }
        }
        throw new Refusal("That clip is not in the master any more: somebody took it out");
    }

    public Clip in(Master master) {
        return master.tracks().get(track).clips().get(index);
    }

    /** The clips of its track, to be changed. */
    List<Clip> clipsIn(Master master) {
        return new ArrayList<>(master.tracks().get(track).clips());
    }

    /** The master with this clip changed. */
    Master changed(Master master, Clip clip) {
        return Master.checked(master.withTrack(track, master.tracks().get(track).spliced(index, index + 1, List.of(clip))));
    }

    /** The clip that ends where this one begins; null at a gap. */
    static Clip meetingBefore(List<Clip> clips, int index) {
        return index > 0 && clips.get(index - 1).record().out() == clips.get(index).record().in()
                ? clips.get(index - 1) : null;
    }

    /** The clip that begins where this one ends; null at a gap. */
    static Clip meetingAfter(List<Clip> clips, int index) {
        return index + 1 < clips.size() && clips.get(index + 1).record().in() == clips.get(index).record().out()
                ? clips.get(index + 1) : null;
    }
}
