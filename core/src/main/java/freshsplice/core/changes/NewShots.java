package freshsplice.core.changes;

import freshsplice.core.conform.CutClip;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.master.Clip;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * The shots that changes of a cut make: each gets a code between those of its neighbours, and takes up the action where the shot
 * before it leaves it.
 */
public final class NewShots {
    /**
     * A shot that is to be made.
     *
     * @param place of the clip on the main track that is to show it
     * @param shot  the shot, whose id is 0 as long as nobody keeps it
     * @param clip what it is made from
     */
    public record NewShot(int place, Shot shot, CutClip clip) {
    }

    private final List<Clip> clips;
    private final Map<Long, Shot> shots;
    private final ShotNumbering numbering;
    private final int handles;
    private final Set<String> used;

    private NewShots(List<Clip> clips, Map<Long, Shot> shots, ShotNumbering numbering, int handles, Set<String> used) {
        this.clips = clips;
        this.shots = new HashMap<>(shots);
        this.numbering = numbering;
        this.handles = handles;
        this.used = new HashSet<>(used);
    }

    /**
     * @param applied   a master with clips whose shots are still to be made
     * @param shots     all that it shows already, as the changes leave them, by id
     * @param numbering of the project; its first frame is every new shot's
     * @param handles   frames of the project
     * @param used      codes that are taken
     * @return in record order
     */
    public static List<NewShot> of(Applying.Outcome applied, Map<Long, Shot> shots, ShotNumbering numbering, int handles,
                                   Set<String> used) {
        return new NewShots(applied.master().main().clips(), shots, numbering, handles, used).make(applied.newShots());
    }

    private List<NewShot> make(List<CutClip> ofCut) {
        List<NewShot> made = new ArrayList<>();
        for (int place = 0; place < clips.size(); place++) {
            long stands = clips.get(place).shotId();
            if (stands < 0) {
                CutClip clip = ofCut.get((int) -stands - 1);
                Shot shot = shot(place, clip);
                used.add(shot.code());
                shots.put(stands, shot);
                made.add(new NewShot(place, shot, clip));
            }
        }
        return made;
    }

    private Shot shot(int place, CutClip clip) {
        int first = numbering.firstFrame();
        return new Shot(0, numbering.between(codeBefore(place), codeAfter(place), used),
                FrameRange.ofLength(first, clip.record().length()), handles, actionBefore(place) - first,
                FirstMaster.anchor(clip, first));
    }

    private String codeBefore(int place) {
        for (int i = place - 1; i >= 0; i--) {
            if (shots.containsKey(clips.get(i).shotId())) {
                return shots.get(clips.get(i).shotId()).code();
            }
        }
        return null;
    }

    private String codeAfter(int place) {
        return clips.subList(place + 1, clips.size()).stream().map(s -> shots.get(s.shotId())).filter(Objects::nonNull)
                .findFirst().map(Shot::code).orElse(null);
    }

    /** Action frame where what is seen before ends; 0 where that is no shot. */
    private long actionBefore(int place) {
        Clip before = place == 0 ? null : clips.get(place - 1);
        Shot shot = before == null ? null : shots.get(before.shotId());
        return shot == null ? 0 : shot.actionAt(before.to()).floor();
    }
}
