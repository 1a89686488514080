package freshsplice.server.masters.edit;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Place;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRate;
import java.util.List;
import java.util.function.LongFunction;

/** What edits find in the project around their master. All of it refuses with a sentence what is not there any more. */
public interface Surroundings {
    /** A clip as it was asked for, from record frame 0 on. */
    Clip clip(NewClip wanted);

    /** The master with a new shot put in, numbered between its neighbours, with a camera of its own. */
    Master withNewShot(Master master, long at, long frames);

    /** The master with a clip that shows a new shot in place of its own, forked from that. */
    Master forked(Master master, Place clip);

    /** Clips of any master of the project by their ids; those that are gone are left out. */
    CopiedClips copied(List<Long> clips);

    /** Clips and the rate of their project. */
    record CopiedClips(List<Clip> clips, FrameRate rate) {
    }

    /** Other masters by id, for those that are nested. */
    LongFunction<Master> nested();

    /** A shot by its id; null where it is not there any more. */
    Shot shot(long id);

    /** The master with clips made one of a master of their own. */
    Master nest(Master master, List<Place> places, String name);
}
