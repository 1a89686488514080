package freshsplice.server.masters;

import freshsplice.core.sound.FreeTrack;
import freshsplice.core.sound.Level;
import freshsplice.core.sound.SoundClip;
import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.SoundTrackRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.LaidSound;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import org.springframework.stereotype.Service;

/** Edits of the sound under a master: how tracks are heard, and where and how loud clips are. */
@Service
public class SoundEdits {
    /** How a track is to be heard; null leaves a value as it is. @param level in decibels */
    public record TrackChange(String name, @Schema(nullable = true) Boolean muted, @Schema(nullable = true) Boolean solo,
                      @Schema(nullable = true) Double level) {
    }

    /**
     * A change of a clip; null leaves a value as it is.
     *
     * @param offset frames later (+) or earlier (−) against the picture
     * @param head   frames later or earlier that it begins, what stays is heard where it was
     * @param tail   frames later or earlier that it ends
     * @param level  in decibels
     * @param fadeIn frames
     */
    public record ClipChange(@Schema(nullable = true) Long offset, @Schema(nullable = true) Long head,
                       @Schema(nullable = true) Long tail, @Schema(nullable = true) Double level,
                       @Schema(nullable = true) Long fadeIn, @Schema(nullable = true) Long fadeOut) {
    }

    /** A file to lay from a record frame on. @param track where it is free there; null for any */
    public record NewSound(long mediaId, long at, @Schema(nullable = true) String track) {
    }

    private static final long MILLIS = 1000;

    private final Store store;
    private final Steps steps;
    private final LaidSound sounds;

    SoundEdits(Store store, Steps steps, LaidSound sounds) {
        this.store = store;
        this.steps = steps;
        this.sounds = sounds;
    }

    public void track(long masterId, TrackChange change, Asker who) {
        MasterRow master = store.get(MasterRow.class, masterId);
        if (sounds.rows(masterId).stream().noneMatch(s -> s.track.equals(change.name()))) {
            throw new Refused("The master has no sound track \"" + change.name() + "\"");
        }
        String what = change.muted() != null ? change.muted() ? "Mute " : "Hear " : change.solo() != null
                ? change.solo() ? "Hear alone: " : "Hear with the others: " : "Set the level of ";
        steps.make(master.projectId, what + "sound " + change.name(), who, () -> {
            SoundTrackRow track = sounds.trackRows(masterId).get(change.name());
            if (track == null) {
                track = new SoundTrackRow();
                track.masterId = masterId;
                track.name = change.name();
                store.add(track);
            }
            track.muted = change.muted() == null ? track.muted : change.muted();
            track.solo = change.solo() == null ? track.solo : change.solo();
            track.level = change.level() == null ? track.level : Level.checked(change.level());
            return null;
        });
    }

    public void clip(long soundId, ClipChange change, Asker who) {
        make(soundId, "Change the sound ", who, (sound, rate) -> {
            SoundClip clip = LaidSound.clip(sound).moved(or(change.offset(), 0)).trimmed(or(change.head(), 0), or(change.tail(), 0), rate)
                    .faded(or(change.fadeIn(), sound.fadeIn), or(change.fadeOut(), sound.fadeOut));
            LaidSound.lay(sound, clip);
            sound.level = change.level() == null ? sound.level : Level.checked(change.level());
        });
    }

    /** Parts it at a record frame; both are heard as the one was. */
    public void split(long soundId, long at, Asker who) {
        make(soundId, "Split the sound ", who, (sound, rate) -> {
            List<SoundClip> parts = LaidSound.clip(sound).splitAt(at, rate);
            SoundRow second = new SoundRow();
            second.masterId = sound.masterId;
            second.track = sound.track;
            second.name = sound.name;
            second.sourceKey = sound.sourceKey;
            second.mediaId = sound.mediaId;
            second.level = sound.level;
            second.channel = sound.channel;
            LaidSound.lay(second, parts.get(1));
            store.add(second);
            LaidSound.lay(sound, parts.get(0));
        });
    }

    /** Takes it out; nothing moves. */
    public void remove(long soundId, Asker who) {
        make(soundId, "Take out the sound ", who, (sound, rate) -> store.remove(sound));
    }

    /** Lays a file, or a movie's sound, from a record frame on. @return its id */
    public long put(long masterId, NewSound wanted, Asker who) {
        MasterRow master = store.get(MasterRow.class, masterId);
        MediaRow file = store.get(MediaRow.class, wanted.mediaId());
        if (file.projectId != master.projectId) {
            throw new Refused("That file belongs to another project: give it to this one");
        }
        if (file.kind != MediaRow.Kind.SOUND && file.kind != MediaRow.Kind.MOVIE) {
            throw new Refused(file.name + " is a picture and has no sound");
        }
        return steps.make(master.projectId, "Put in the sound " + file.name, who, () -> {
            Rational seconds = Rational.of(Math.round(file.seconds * MILLIS), MILLIS);
            SoundClip clip = SoundClip.whole(wanted.at(), seconds, store.get(ProjectRow.class, master.projectId).rate);
            SortedMap<String, List<FrameRange>> tracks = new TreeMap<>();
            sounds.rows(masterId).forEach(s -> tracks.computeIfAbsent(s.track, k -> new ArrayList<>())
                    .add(FrameRange.of(s.recIn, s.recOut)));
            SoundRow sound = new SoundRow();
            sound.masterId = masterId;
            sound.track = FreeTrack.of(tracks, clip.record(), wanted.track());
            sound.name = file.name;
            sound.mediaId = file.id;
            sound.channel = SourceChannels.ALL;
            LaidSound.lay(sound, clip);
            store.add(sound);
            store.entities().flush();
            return sound.id;
        });
    }

    private void make(long soundId, String what, Asker who, BiConsumer<SoundRow, FrameRate> edit) {
        SoundRow asked = store.get(SoundRow.class, soundId);
        MasterRow master = store.get(MasterRow.class, asked.masterId);
        steps.make(master.projectId, what + asked.name, who, () -> {
            edit.accept(store.get(SoundRow.class, soundId), store.get(ProjectRow.class, master.projectId).rate);
            return null;
        });
    }

    private static long or(Long asked, long now) {
        return asked == null ? now : asked;
    }
}
