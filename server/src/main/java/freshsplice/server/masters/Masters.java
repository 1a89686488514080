package freshsplice.server.masters;

import freshsplice.core.master.Clip;
import freshsplice.core.master.MarkerPosition;
import freshsplice.core.master.Master;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.core.time.TypedPosition;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ClipRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.SceneMaker;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.OptionalLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The masters of a project: begun from nothing, named, held against cuts, taken away. */
@Service
public class Masters {
    /**
     * @param cutId    the cut that it is held against; null while there is none
     * @param nestedIn names of the masters that nest it
     */
    public record Brief(long id, String name, long start, long end, @Schema(nullable = true) Long cutId,
                        List<String> nestedIn) {
    }

    /**
     * A master from nothing.
     *
     * @param name   its name
     * @param shots  how many empty shots, each with a number and a camera of its own; 0 for none
     * @param frames how long each is
     * @param start  timecode of its first frame, as somebody types it; null for one hour
     * @param rate   the project's rate, where it has no master yet; null to leave it
     */
    public record FromNothing(String name, int shots, long frames, @Schema(nullable = true) String start,
                              @Schema(nullable = true) String rate) {
    }

    /** A frame of a nested master. */
    public record Inside(long masterId, String name, long frame) {
    }

    private static final int MOST_SHOTS = 2000;

    private final Store store;
    private final MasterStore masters;
    private final NewClips newClips;
    private final SceneMaker scenes;
    private final Steps steps;

    Masters(Store store, MasterStore masters, NewClips newClips, SceneMaker scenes, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.newClips = newClips;
        this.scenes = scenes;
        this.steps = steps;
    }

    @Transactional(readOnly = true)
    public List<Brief> all(long projectId) {
        List<MasterRow> rows = masters.all(projectId);
        return rows.stream().map(row -> {
            Master master = masters.read(row);
            List<String> outer = store.where(ClipRow.class, "nestedId", row.id).stream().map(s -> s.masterId)
                    .distinct().map(id -> store.get(MasterRow.class, id).name).toList();
            return new Brief(row.id, row.name, master.start(), master.end(), row.cutId, outer);
        }).toList();
    }

    /** @return its id */
    public long begin(long projectId, FromNothing wanted, Asker who) {
        String name = checked(wanted.name());
        if (wanted.shots() < 0 || wanted.shots() > MOST_SHOTS) {
            throw new Refused("A master begins with 0 to " + MOST_SHOTS + " shots, not " + wanted.shots());
        }
        return steps.make(projectId, "Begin \"" + name + "\"" + (wanted.shots() == 0 ? "" : " with " + wanted.shots()
                + (wanted.shots() == 1 ? " shot" : " shots")), who, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            takeRate(project, wanted.rate());
            String typed = wanted.start() == null || wanted.start().isBlank() ? "01:00:00:00" : wanted.start();
            long start = new TypedPosition(project.rate, project.dropFrame, 0, TypedPosition.Unit.TIMECODE).read(typed, 0);
            MasterRow row = masters.add(projectId, scenes.of(project, name).id, name, start, null);
            Master empty = masters.read(row);
            if (wanted.shots() > 0) {
                Master with = newClips.withShots(row, empty, wanted.shots(), wanted.frames());
                masters.write(row, empty, with);
            }
            return row.id;
        });
    }

    private void takeRate(ProjectRow project, String rate) {
        if (rate == null || rate.isBlank()) {
            return;
        }
        FrameRate wanted = FrameRate.parse(rate);
        if (!wanted.equals(project.rate) && !masters.all(project.id).isEmpty()) {
            throw new Refused("The project counts " + project.rate + " frames a second: all its masters do");
        }
        project.dropFrame = false;
        project.rate = wanted;
    }

    public void rename(long masterId, String wanted, Asker who) {
        String name = checked(wanted);
        MasterRow asked = store.get(MasterRow.class, masterId);
        steps.make(asked.projectId, "Call \"" + asked.name + "\" \"" + name + "\"", who, () -> {
            store.get(MasterRow.class, masterId).name = name;
            return null;
        });
    }

    /** Holds a master against a cut, without changing a frame of it; null for none. */
    public void hold(long masterId, Long cutId, Asker who) {
        MasterRow asked = store.get(MasterRow.class, masterId);
        CutRow cut = cutId == null ? null : store.get(CutRow.class, cutId);
        ProjectRow project = store.get(ProjectRow.class, asked.projectId);
        if (cut != null && cut.projectId != asked.projectId) {
            throw new Refused("That cut belongs to another project");
        }
        if (cut != null && !cut.rate.equals(project.rate)) {
            throw new Refused("Cut " + cut.version + " counts " + cut.rate + " frames a second and the project counts "
                    + project.rate + ": choose in Intake how they are to meet");
        }
        steps.make(asked.projectId, cut == null ? "Hold \"" + asked.name + "\" against no cut"
                : "Hold \"" + asked.name + "\" against cut " + cut.version, who, () -> {
            store.get(MasterRow.class, masterId).cutId = cutId;
            return null;
        });
    }

    /** Takes a master away with all that lies on it; its shots stay. */
    public void remove(long masterId, Asker who) {
        MasterRow asked = store.get(MasterRow.class, masterId);
        steps.make(asked.projectId, "Remove \"" + asked.name + "\"", who, () -> {
            MasterRow row = store.get(MasterRow.class, masterId);
            if (masters.all(row.projectId).size() == 1) {
                throw new Refused("It is the only master of the project");
            }
            store.where(ClipRow.class, "nestedId", masterId).stream().findFirst().ifPresent(s -> {
                throw new Refused("\"" + row.name + "\" is nested in \"" + store.get(MasterRow.class, s.masterId).name
                        + "\": take it out there first");
            });
            Master before = masters.read(row);
            Master without = before.withTracks(before.tracks().stream().map(l -> l.with(List.<Clip>of())).toList());
            masters.write(row, before, without);
            masters.follow(row, before, without);
            store.remove(row);
            return null;
        });
    }

    /** @param clipId the clip that nests it; null for the topmost one at the frame */
    @Transactional(readOnly = true)
    public Inside inside(long masterId, long frame, Long clipId) {
        List<Clip> nests = masters.read(store.get(MasterRow.class, masterId)).clips().stream()
                .filter(s -> s.content() instanceof Clip.Content.OfMaster)
                .filter(s -> clipId == null ? s.record().contains(frame) : s.id() == clipId).toList();
        if (nests.isEmpty()) {
            throw new Refused("No master is nested at that frame");
        }
        Clip nest = nests.get(nests.size() - 1);
        long at = Math.max(nest.record().in(), Math.min(nest.record().last(), frame));
        MasterRow inner = store.get(MasterRow.class, ((Clip.Content.OfMaster) nest.content()).masterId());
        return new Inside(inner.id, inner.name, nest.at(at).floor());
    }

    /** The first record frame at which a master shows a frame of one that it nests; its start where it does not. */
    @Transactional(readOnly = true)
    public long outside(long masterId, long innerId, long frame) {
        Master outer = masters.read(store.get(MasterRow.class, masterId));
        return outer.clips().stream().filter(s -> s.content() instanceof Clip.Content.OfMaster m
                        && m.masterId() == innerId)
                .map(s -> MarkerPosition.recordOf(s, Rational.of(frame))).filter(OptionalLong::isPresent)
                .mapToLong(OptionalLong::getAsLong).findFirst().orElse(outer.start());
    }

    private static String checked(String wanted) {
        String name = wanted == null ? "" : wanted.replaceAll("\\p{Cntrl}", " ").strip();
        if (name.isEmpty() || name.length() > 200) {
            throw new Refused("A master needs a name of 1 to 200 letters");
        }
        return name;
    }
}
