package freshsplice.server.masters;

import freshsplice.core.sound.Level;
import freshsplice.core.time.Rational;
import freshsplice.server.steps.Steps;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.SoundLaneRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import org.springframework.stereotype.Service;

/** Edits of the sound under a master: how lanes are heard, and where and how loud pieces are. */
@Service
class SoundEdits {
    /** How a lane is to be heard; null leaves a value as it is. @param level in decibels */
    record LaneChange(String name, @Schema(nullable = true) Boolean muted, @Schema(nullable = true) Boolean solo,
                      @Schema(nullable = true) Double level) {
    }

    /**
     * A change of a piece; null leaves a value as it is.
     *
     * @param offset frames later (+) or earlier (−) against the picture
     * @param head   frames later or earlier that it begins, what stays is heard where it was
     * @param tail   frames later or earlier that it ends
     * @param level  in decibels
     * @param fadeIn frames
     */
    record PieceChange(@Schema(nullable = true) Long offset, @Schema(nullable = true) Long head,
                       @Schema(nullable = true) Long tail, @Schema(nullable = true) Double level,
                       @Schema(nullable = true) Long fadeIn, @Schema(nullable = true) Long fadeOut) {
    }

    private final Store store;
    private final Steps steps;
    private final LaidSound sounds;

    SoundEdits(Store store, Steps steps, LaidSound sounds) {
        this.store = store;
        this.steps = steps;
        this.sounds = sounds;
    }

    void lane(long masterId, LaneChange change, String who) {
        MasterRow master = store.get(MasterRow.class, masterId);
        if (sounds.rows(masterId).stream().noneMatch(s -> s.lane.equals(change.name()))) {
            throw new Refused("The master has no sound lane \"" + change.name() + "\"");
        }
        String what = change.muted() != null ? change.muted() ? "Mute " : "Hear " : change.solo() != null
                ? change.solo() ? "Hear alone: " : "Hear with the others: " : "Set the level of ";
        steps.make(master.projectId, what + "sound " + change.name(), who, () -> {
            SoundLaneRow lane = sounds.laneRows(masterId).get(change.name());
            if (lane == null) {
                lane = new SoundLaneRow();
                lane.masterId = masterId;
                lane.name = change.name();
                store.add(lane);
            }
            lane.muted = change.muted() == null ? lane.muted : change.muted();
            lane.solo = change.solo() == null ? lane.solo : change.solo();
            lane.level = change.level() == null ? lane.level : Level.checked(change.level());
            return null;
        });
    }

    void piece(long soundId, PieceChange change, String who) {
        SoundRow asked = store.get(SoundRow.class, soundId);
        MasterRow master = store.get(MasterRow.class, asked.masterId);
        steps.make(master.projectId, "Change the sound " + asked.name, who, () -> {
            SoundRow sound = store.get(SoundRow.class, soundId);
            ProjectRow project = store.get(ProjectRow.class, master.projectId);
            place(sound, change, project);
            sound.level = change.level() == null ? sound.level : Level.checked(change.level());
            sound.fadeIn = change.fadeIn() == null ? sound.fadeIn : change.fadeIn();
            sound.fadeOut = change.fadeOut() == null ? sound.fadeOut : change.fadeOut();
            long length = sound.recOut - sound.recIn;
            if (sound.fadeIn < 0 || sound.fadeOut < 0 || sound.fadeIn + sound.fadeOut > length) {
                throw new Refused("Fades of " + sound.fadeIn + " and " + sound.fadeOut + " frames do not fit into the "
                        + length + " frames of this sound");
            }
            return null;
        });
    }

    private static void place(SoundRow sound, PieceChange change, ProjectRow project) {
        long offset = change.offset() == null ? 0 : change.offset();
        long head = change.head() == null ? 0 : change.head();
        long tail = change.tail() == null ? 0 : change.tail();
        Rational from = sound.fromSeconds.plus(project.rate.seconds(head));
        if (from.signum() < 0) {
            throw new Refused("The sound begins " + sound.fromSeconds.times(project.rate.fps()).floor()
                    + " frames before this; it cannot begin " + -head + " frames earlier");
        }
        long in = Math.addExact(sound.recIn, Math.addExact(offset, head));
        long out = Math.addExact(sound.recOut, Math.addExact(offset, tail));
        if (in < 0 || out <= in) {
            throw new Refused(in < 0 ? "Sound cannot begin before record frame 0"
                    : "A piece of sound has at least one frame");
        }
        sound.recIn = in;
        sound.recOut = out;
        sound.fromSeconds = from;
    }
}
