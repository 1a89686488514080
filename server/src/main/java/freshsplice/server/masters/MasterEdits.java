package freshsplice.server.masters;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Along;
import freshsplice.core.master.edit.Nesting;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.TrackEdits;
import freshsplice.core.master.edit.Warnings;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Shot;
import freshsplice.core.sound.FollowsPicture;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Timecode;
import freshsplice.core.words.Amounts;
import freshsplice.server.masters.edit.ClipsEdit;
import freshsplice.server.masters.edit.MasterEdit;
import freshsplice.server.masters.edit.Moving;
import freshsplice.server.masters.edit.Surroundings;
import freshsplice.server.masters.edit.TrimEdit;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.ClipRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.Shots;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Edits of masters, each as one step. What shots show of themselves follows by itself: there is nothing to make equal. */
@Service
public class MasterEdits {
    /**
     * What an edit made.
     *
     * @param made ids of clips that are new
     * @param said what of it somebody may not have meant, in words
     */
    public record EditOutcome(List<Long> made, List<String> said) {
    }

    private final Store store;
    private final MasterStore masters;
    private final Steps steps;
    private final NewClips newClips;
    private final Shots shots;
    private final EditNames names;
    private final LaidSound sounds;
    private final Markers markers;

    MasterEdits(Store store, MasterStore masters, Steps steps, NewClips newClips, Shots shots, EditNames names,
                LaidSound sounds, Markers markers) {
        this.markers = markers;
        this.store = store;
        this.masters = masters;
        this.steps = steps;
        this.newClips = newClips;
        this.shots = shots;
        this.names = names;
        this.sounds = sounds;
    }

    /** @throws Refusal if it cannot be done; the message says which frame and why */
    public EditOutcome make(long masterId, MasterEdit edit, Asker who) {
        MasterRow asked = store.get(MasterRow.class, masterId);
        return steps.make(asked.projectId, names.of(edit), who, () -> {
            MasterRow row = store.get(MasterRow.class, masterId);
            MasterRow inside = innerMaster(row, edit);
            return inside != null ? change(inside, masters.read(inside), onInnerClock(row, inside, (ClipsEdit) edit))
                    : change(row, masters.read(row), edit);
        });
    }

    private EditOutcome change(MasterRow row, Master before, MasterEdit edit) {
        Surroundings around = new AroundMaster(row, store, masters, newClips, shots, this::nest);
        Master edited = edit instanceof Moving moving
                ? moving.alongOn(before).during(before, moving.tracks(before), held -> edit.on(held, around)) : edit.on(before, around);
        Master after = edit.settled(before, edited);
        List<String> said = said(row, before, after, edit);
        write(row, before, after, Boolean.TRUE.equals(edit.soundStays()));
        return new EditOutcome(made(row, before, after), said);
    }

    /** Only where a clip is new is the master read again for the id that it was given. */
    private List<Long> made(MasterRow row, Master before, Master after) {
        if (after.clips().stream().noneMatch(s -> s.id() == 0)) {
            return List.of();
        }
        Set<Long> known = before.clips().stream().map(Clip::id).collect(Collectors.toSet());
        return masters.read(row).clips().stream().map(Clip::id).filter(id -> !known.contains(id)).toList();
    }

    private List<String> said(MasterRow row, Master before, Master after, MasterEdit edit) {
        List<String> said = new ArrayList<>();
        if (edit instanceof Moving moving && moving.alongOn(before) == Along.ALL_TRACKS) {
            Along.stayed(before, after, moving.tracks(before)).forEach(track -> said.add("Track " + track
                    + " stays where it is: it has no room to move along"));
        }
        if (edit.changesSpeed()) {
            said.addAll(Warnings.ofSpeed(before, after, MasterStore.shots(masters.shotRows(row.projectId))));
        }
        if (edit instanceof TrimEdit trim) {
            said.addAll(beforeBoards(before, after, trim));
        }
        said.addAll(Warnings.ofNests(before, after, masters.nested()));
        if (after.start() < before.start()) {
            said.add("The master begins " + Amounts.frames(before.start() - after.start()) + " earlier now, at "
                    + Timecode.of(after.start(), after.rate(), after.dropFrame()).label());
        }
        return said;
    }

    private List<String> beforeBoards(Master before, Master after, TrimEdit edit) {
        List<Long> ids = after.clips().stream().filter(s -> edit.clips().contains(s.id()) && s.shotId() != 0).map(Clip::shotId).distinct().toList();
        Map<Long, Shot> shots = store.whereIn(ShotRow.class, "id", ids).stream().collect(Collectors.toMap(s -> s.id, MasterStore::shot));
        Map<Long, Long> begins = store.whereIn(BoardRow.class, "shotId", ids).stream().filter(b -> b.beginsTold && b.sourceBegins != null)
                .collect(Collectors.toMap(b -> b.shotId, b -> b.sourceBegins));
        return Warnings.ofBoards(before, after, shots, begins);
    }

    /** Writes an edited master, and all that goes along with it: sound, shots, and the masters that nest it. */
    public void write(MasterRow row, Master before, Master after) {
        write(row, before, after, false);
    }

    private void write(MasterRow row, Master before, Master after, boolean soundStays) {
        TrackEdits.checkLocks(before, after);
        Nesting.checkNoLoop(after, finding(after));
        masters.write(row, before, after);
        FollowsPicture follows = new FollowsPicture(before, after);
        moveAlong(row, follows, soundStays);
        markers.follow(row, before, after, follows);
        for (MasterRow outer : masters.all(row.projectId)) {
            if (!outer.id.equals(row.id)) {
                Master nesting = masters.read(outer);
                Master followed = Nesting.follow(nesting, before, after);
                if (followed != nesting) {
                    write(outer, nesting, followed, soundStays);
                }
            }
        }
        masters.follow(row, before, after);
    }

    private LongFunction<Master> finding(Master after) {
        LongFunction<Master> others = masters.nested();
        return id -> id == after.id() ? after : others.apply(id);
    }

    private void moveAlong(MasterRow row, FollowsPicture follows, boolean soundStays) {
        for (SoundRow sound : soundStays ? List.<SoundRow>of() : sounds.rows(row.id)) {
            long shift = follows.shift(FrameRange.of(sound.recIn, sound.recOut));
            sound.recIn += shift;
            sound.recOut += shift;
        }
    }

    /** The master that the clips of an edit lie in, where that is nested in this one; null where they lie here. */
    private MasterRow innerMaster(MasterRow row, MasterEdit edit) {
        if (!(edit instanceof ClipsEdit)) {
            return null;
        }
        List<ClipRow> rows = store.whereIn(ClipRow.class, "id", edit.clips());
        boolean elsewhere = !rows.isEmpty() && rows.stream().noneMatch(r -> r.masterId == row.id);
        if (!elsewhere) {
            return null;
        }
        MasterRow inner = store.get(MasterRow.class, rows.get(0).masterId);
        boolean one = rows.stream().allMatch(r -> r.masterId == inner.id);
        if (!one || !Nesting.nests(masters.read(row), inner.id, masters.nested())) {
            throw new Refused("These clips do not lie in \"" + row.name + "\": open the master that they lie in");
        }
        return inner;
    }

    /** The edit of a nested clip, asked for on this master's clock, on its own. */
    private MasterEdit onInnerClock(MasterRow outer, MasterRow inner, ClipsEdit edit) {
        if (edit.at() == null) {
            return edit;
        }
        for (Clip clip : masters.read(outer).clips()) {
            boolean nests = clip.content() instanceof Clip.Content.OfMaster m && m.masterId() == inner.id;
            // a tail may be asked for at the frame after the last
            if (nests && edit.at() >= clip.record().in() && edit.at() <= clip.record().out()) {
                return edit.onClock(clip.at(edit.at()).floor());
            }
        }
        throw new Refused("Record frame " + edit.at() + " does not lie in \"" + inner.name + "\": open it to edit there");
    }

    private Master nest(MasterRow row, Master before, List<Place> places, String asked) {
        String name = asked == null || asked.isBlank() ? row.name + " part" : asked.strip();
        MasterRow made = masters.add(row.projectId, row.sceneId, name, before.start(), null);
        Nesting.Nest nested = Nesting.nest(before, places, made.id, name);
        Master empty = masters.read(made);
        // the rows of the clips go over into the new master, so that they keep their ids, markers and history
        masters.adopt(made, empty, empty.withMain(nested.inner().main().clips()).startingAt(nested.inner().start()),
                row, before);
        return nested.outer();
    }
}
