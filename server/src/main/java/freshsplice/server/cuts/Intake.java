package freshsplice.server.cuts;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.CutClips;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.Fix;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Track;
import freshsplice.core.rates.RateWay;
import freshsplice.core.time.FrameRate;
import freshsplice.server.media.MediaStore;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.CutApartRow;
import freshsplice.server.rows.CutCameraRow;
import freshsplice.server.rows.CutFixRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.MasterStore;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A cut arrives: it is read, shown, its choices are made, and it is received as one step. */
@Service
public class Intake {
    private static final int EXAMPLES = 6;

    private final Store store;
    private final CutStore cuts;
    private final MasterStore masters;
    private final Steps steps;
    private final Receiving receiving;
    private final Planning planning;
    private final Reader reader;

    Intake(Store store, CutStore cuts, MasterStore masters, Steps steps, Receiving receiving, Planning planning,
           Reader reader) {
        this.store = store;
        this.cuts = cuts;
        this.masters = masters;
        this.steps = steps;
        this.receiving = receiving;
        this.planning = planning;
        this.reader = reader;
    }

    /** Whether a file's name says that it is a cut. */
    public static boolean isCut(String name) {
        return name.toLowerCase(Locale.ROOT).matches(".*\\.(edl|xml|aaf|otio|otioz)");
    }

    /** Reads a kept file as a new version of the project's edit. Nothing is made of it yet. */
    public CutRow look(long projectId, MediaStore.StoredFile kept, FrameRate rate) {
        // one after another: of two that come at once each gets a number of its own
        return steps.alongside(projectId, () -> read(projectId, kept, rate));
    }

    private CutRow read(long projectId, MediaStore.StoredFile kept, FrameRate rate) {
        CutRow row = new CutRow();
        row.projectId = projectId;
        row.version = all(projectId).stream().mapToInt(c -> c.version).max().orElse(0) + 1;
        row.fileName = kept.name();
        row.stored = kept.stored();
        row.sha256 = kept.sha256();
        row.state = CutRow.State.LOOKED_AT;
        row.receivedAt = Instant.now();
        reader.read(row, rate);
        return row;
    }

    /** Reads the file again at another rate. */
    @Transactional
    public void changeRate(long cutId, FrameRate rate) {
        CutRow row = notYetReceived(cutId);
        reader.read(row, rate);
    }

    /** Reads a list that does not say its rate at the rate of the movies that came with it, if they all have one. */
    @Transactional
    public void came(long cutId, List<MediaRow> movies) {
        List<FrameRate> rates = movies.stream().map(m -> m.rate).distinct().toList();
        if (rates.size() == 1 && rates.get(0) != null) {
            reader.readAsMovies(notYetReceived(cutId), rates.get(0), movies.size());
        }
    }

    /** Takes another of the file's sequences. */
    @Transactional
    public void choose(long cutId, int sequence) {
        CutRow row = notYetReceived(cutId);
        row.chosen = sequence;
        row.pickedTrack = null;
        reader.read(row, row.givenRate);
    }

    /** Makes shots of one picture track, or of what is seen of all where none is named. */
    public void pickTrack(long cutId, Integer track, Asker who) {
        chosen(cutId, track == null ? "Take what is seen of all tracks" : "Take one track alone", who, row -> row.pickedTrack = track);
    }

    /**
     * How rates meet.
     *
     * @param rate  for a cut of another rate than the project's; null by real time
     * @param clips for clips of another rate than the cut's; null as the file has them
     */
    @Transactional
    public void ways(long cutId, RateWay rate, RateWay clips) {
        CutRow row = notYetReceived(cutId);
        row.rateWay = rate;
        row.clipWay = clips;
        reader.read(row, row.givenRate);
    }

    /** A choice about a cut that is not received yet, as one step. */
    private void chosen(long cutId, String name, Asker who, Consumer<CutRow> choice) {
        steps.make(store.get(CutRow.class, cutId).projectId, name, who, () -> {
            choice.accept(notYetReceived(cutId));
            return null;
        });
    }

    /** Leaves all seams open that could be closed, or closes all. */
    public void keepAllApart(long cutId, boolean apart, Asker who) {
        chosen(cutId, apart ? "Keep all clips apart" : "Join what runs on", who, row -> {
            store.where(CutApartRow.class, "cutId", cutId).forEach(store::remove);
            store.entities().flush();
            if (apart) {
                CutClips.joined(cuts.picked(row), seam -> false).stream().flatMap(p -> p.seams().stream())
                        .forEach(seam -> addApart(cutId, seam));
            }
        });
    }

    /** Does something about a place that a remark points at; null leaves it as the cut has it. */
    public void fix(long cutId, long at, Fix fix, Asker who) {
        chosen(cutId, fix == null ? "Leave a place as the cut has it" : "Mend a place of the cut", who, row -> fix(row, at, fix));
    }

    private void fix(CutRow row, long at, Fix fix) {
        long cutId = row.id;
        if (fix == Fix.LOWEST_TRACK) {
            row.pickedTrack = cuts.read(row).tracksOf(Track.Kind.PICTURE).get(0);
        } else if (fix == Fix.ONE_CAMERA) {
            oneCamera(row, at);
        } else {
            store.where(CutFixRow.class, "cutId", cutId).stream().filter(f -> f.atFrame == at).forEach(store::remove);
            store.entities().flush();
            if (fix != null) {
                CutFixRow added = new CutFixRow();
                added.cutId = cutId;
                added.atFrame = at;
                added.fix = fix;
                store.add(added);
            }
        }
    }

    /** All shots of the board that the shot at a frame shows get that shot's camera; or each its own again. */
    private void oneCamera(CutRow row, long at) {
        List<PlannedShot> shots = planned(row);
        PlannedShot first = shots.stream().filter(s -> s.clip().record().contains(at)).findFirst()
                .orElseThrow(() -> new Refused("There is no shot at that frame any more"));
        List<PlannedShot> same = shots.stream()
                .filter(s -> s.clip().identity().equals(first.clip().identity())).toList();
        boolean shared = same.stream().map(PlannedShot::camera).distinct().count() == 1 && same.size() > 1;
        for (PlannedShot shot : same) {
            nameCamera(row, shot.clip().record().in(), shared ? null : first.camera());
        }
    }

    /** Names the camera of a shot that is not made yet; shots that name one share it. Blank gives it its own again. */
    public void camera(long cutId, long at, String name, Asker who) {
        String wanted = name == null || name.isBlank() ? null : name.strip();
        if (wanted != null && wanted.length() > 200) {
            throw new Refused("A camera's name has at most 200 letters");
        }
        chosen(cutId, wanted == null ? "Give a shot its own camera" : "Film a shot with " + wanted, who, row -> {
            nameCamera(row, at, wanted);
            // the shot whose own camera it is names it too, so that both stay one when codes change
            if (wanted != null) {
                planned(row).stream().filter(s -> s.camera().equals(wanted))
                        .forEach(s -> nameCamera(row, s.clip().record().in(), wanted));
            }
        });
    }

    /** A code as it would be, and what stands on its clip. */
    public record Example(String code, List<String> from) {
    }

    /** The first codes as they would be with other rules. */
    @Transactional(readOnly = true)
    public List<Example> examples(long cutId, Numbering wanted) {
        wanted.check();
        CutRow row = store.get(CutRow.class, cutId);
        Cut cut = cuts.picked(row);
        return planning.planned(store.get(ProjectRow.class, row.projectId), row, cut, wanted).shots().stream()
                .limit(EXAMPLES).map(s -> new Example(s.code(), Conform.namesAt(cut, s.clip()))).toList();
    }

    private List<PlannedShot> planned(CutRow row) {
        return planning.plan(store.get(ProjectRow.class, row.projectId), row, cuts.picked(row)).shots();
    }

    private void nameCamera(CutRow row, long at, String name) {
        CutCameraRow there = store.where(CutCameraRow.class, "cutId", row.id).stream().filter(c -> c.atFrame == at)
                .findFirst().orElse(null);
        if (name == null && there != null) {
            store.remove(there);
        } else if (name != null && there != null) {
            there.name = name;
        } else if (name != null) {
            CutCameraRow added = new CutCameraRow();
            added.cutId = row.id;
            added.atFrame = at;
            added.name = name;
            store.add(added);
        }
    }

    /** Leaves one seam open that could be closed, or closes it again. */
    public void keepApart(long cutId, long seam, boolean apart, Asker who) {
        chosen(cutId, apart ? "Keep two clips apart" : "Join two clips", who, row -> {
            List<CutApartRow> there = store.where(CutApartRow.class, "cutId", cutId).stream()
                    .filter(a -> a.seam == seam).toList();
            if (apart && there.isEmpty()) {
                addApart(cutId, seam);
            } else if (!apart) {
                there.forEach(store::remove);
            }
        });
    }

    private void addApart(long cutId, long seam) {
        CutApartRow row = new CutApartRow();
        row.cutId = cutId;
        row.seam = seam;
        store.add(row);
    }

    private CutRow notYetReceived(long cutId) {
        CutRow row = store.get(CutRow.class, cutId);
        if (row.state == CutRow.State.RECEIVED) {
            throw new Refused("Cut " + row.version + " has been received; undo that first to change how it is read");
        }
        return row;
    }

    /** Receives a cut as one step: the first makes shots, cameras, boards, a master; a later one waits in Turnover. */
    public void receive(long cutId, Asker who) {
        CutRow looked = store.get(CutRow.class, cutId);
        steps.make(looked.projectId, "Receive " + looked.name + ", cut " + looked.version, who, () -> {
            CutRow row = notYetReceived(cutId);
            ProjectRow project = store.get(ProjectRow.class, row.projectId);
            boolean first = masters.of(project.id).isEmpty();
            if (first) {
                Cut cut = cuts.picked(row);
                ConformPlan plan = planning.plan(project, row, cut);
                project.rate = cut.rate();
                project.dropFrame = cut.dropFrame();
                receiving.receive(project, row, cut, FirstMaster.of(cut, plan, project.handles), plan);
            }
            row.state = CutRow.State.RECEIVED;
            row.receivedAt = Instant.now();
            return null;
        });
    }

    /** Changes how shots are numbered from now on, as one step. What was numbered stays. */
    public void number(long projectId, Numbering wanted, Asker who) {
        wanted.check();
        steps.make(projectId, "Change how shots are numbered", who, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            project.prefix = wanted.prefix();
            project.numberStep = wanted.step();
            project.digits = wanted.digits();
            project.firstFrame = wanted.firstFrame();
            project.handles = wanted.handles();
            project.codePattern = wanted.pattern();
            project.scenePattern = wanted.scenes();
            return null;
        });
    }

    public List<CutRow> all(long projectId) {
        return store.where(CutRow.class, "projectId", projectId);
    }
}
