package freshsplice.core.changes;

import freshsplice.core.camera.Camera;
import freshsplice.core.master.Clip;
import freshsplice.core.motion.Channel;
import freshsplice.core.motion.Key;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a change asks of its shot, measured at what the shot really has: its handles, and its camera as far as that is
 * keyed or stands still.
 *
 * @param needs   the most that it asks
 * @param shown   shot frames that the clip shows once the change is applied; null where it shows none of a shot we have
 * @param covered shot frames that there is camera work for; null without a shot
 * @param past    frames of {@code shown} that lie outside {@code covered}
 * @param before  speed of our clip, shot frames per record frame; null for a new one
 * @param after   speed of the newer clip in the same measure; null for one that goes
 */
public record ShotImpact(Impact needs, FrameRange shown, FrameRange covered, long past, Rational before, Rational after) {
    /** A title, a colour or bars asks nothing. */
    public static final ShotImpact OF_SLATE = new ShotImpact(Impact.NOTHING, null, null, 0, null, null);

    /** @param camera the shot's; null where it has none, or for a new shot */
    public static ShotImpact of(Change change, Turnover turnover, Camera camera) {
        if (turnover.isOfSlate(change)) {
            return OF_SLATE;
        }
        Shot shot = turnover.shotOf(change).orElse(null);
        if (shot == null) {
            return turnover.ownAgain(change).map(again -> ofOwn(again, turnover.shots.get(again.shotId()), change, camera))
                    .orElse(new ShotImpact(Impact.CAMERA, null, null, 0, null, null));
        }
        Clip ours = turnover.clipOf(change);
        FrameRange had = ours.shownOver(change.oldRecord());
        if (change.newIndex() < 0) {
            return new ShotImpact(Impact.NOTHING, null, covered(shot, camera, had), 0, ours.speed(), null);
        }
        Clip after = Applying.after(turnover, change);
        FrameRange shown = after.shownOver(change.newRecord());
        FrameRange covered = covered(shot, camera, shown);
        long past = shown.length() - shown.overlapWith(covered);
        return new ShotImpact(needs(change, had, shown, past), shown, covered, past, ours.speed(), after.speed());
    }

    /** One of our shots that the cut shows where it did not: frames that its camera has ask for nothing but a place. */
    private static ShotImpact ofOwn(Clip again, Shot shot, Change change, Camera camera) {
        FrameRange shown = again.shownOver(change.newRecord());
        FrameRange covered = covered(shot, camera, shown);
        long past = shown.length() - shown.overlapWith(covered);
        return new ShotImpact(past > 0 ? Impact.CAMERA : Impact.NOTHING, shown, covered, past, null, again.speed());
    }

    private static Impact needs(Change change, FrameRange had, FrameRange shown, long past) {
        if (past > 0) {
            return Impact.CAMERA;
        }
        boolean otherPicture = change.kind() == ChangeKind.RETIMED || change.kind() == ChangeKind.REPLACED;
        boolean more = shown.in() < had.in() || shown.out() > had.out();
        return otherPicture ? Impact.RENDER : more ? Impact.HANDLES : Impact.NOTHING;
    }

    /** A camera that stands still stands in every frame; one that moves has what its keys span, and the handles. */
    private static FrameRange covered(Shot shot, Camera camera, FrameRange shown) {
        if (camera == null || !camera.isStaged()) {
            return shot.frames();
        }
        List<Long> moving = camera.channels().values().stream().map(Channel::keys).filter(keys -> keys.size() > 1)
                .flatMap(List::stream).map(Key::frame).sorted().collect(Collectors.toList());
        return moving.isEmpty() ? shot.frames().spanWith(shown)
                : shot.frames().spanWith(FrameRange.of(moving.get(0), moving.get(moving.size() - 1) + 1));
    }
}
