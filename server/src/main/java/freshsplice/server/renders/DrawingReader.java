package freshsplice.server.renders;

import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.render.MovieSound;
import freshsplice.server.Folders;
import freshsplice.server.masters.LaidSound;
import freshsplice.server.masters.MasterStore;
import freshsplice.server.masters.SequenceService;
import freshsplice.server.media.MediaStore;
import freshsplice.server.stages.StageStore;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.MediaRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.RenderRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.SoundLaneRow;
import freshsplice.server.store.SoundRow;
import freshsplice.server.store.Store;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads all that a render is drawn from, in one transaction. */
@Component
class DrawingReader {
    private final Store store;
    private final MasterStore masters;
    private final StageStore stages;
    private final MediaStore media;
    private final Staleness staleness;
    private final LaidSound laidSound;
    private final Folders folders;

    DrawingReader(Store store, MasterStore masters, StageStore stages, MediaStore media, Staleness staleness,
                  LaidSound laidSound, Folders folders) {
        this.laidSound = laidSound;
        this.folders = folders;
        this.store = store;
        this.masters = masters;
        this.stages = stages;
        this.media = media;
        this.staleness = staleness;
    }

    @Transactional(readOnly = true)
    public Drawing read(long renderId) {
        RenderRow render = store.get(RenderRow.class, renderId);
        ProjectRow project = store.get(ProjectRow.class, render.projectId);
        MasterRow masterRow = render.masterId == null ? masters.of(project.id).orElseThrow()
                : store.get(MasterRow.class, render.masterId);
        Master master = masters.read(masterRow);
        Map<Long, ShotRow> rows = masters.shotRows(project.id);
        Map<Long, Shot> shots = MasterStore.shots(rows);
        Stage stage = stages.stage(masterRow.sceneId);
        Map<Long, Camera> byId = stages.cameras(masterRow.sceneId);
        Map<Long, Camera> cameras = new HashMap<>();
        rows.forEach((id, row) -> cameras.put(id, byId.get(row.cameraId)));
        if (render.shotId == null) {
            Map<Long, Master> nested = nested(master);
            Fingerprint edit = new Fingerprint(Map.of("edit", Fingerprint.digest(master.lanes().toString()
                    + nested.values()), "cameras", Fingerprint.digest(cameras.toString()), "set",
                    Fingerprint.digest(stage.toString())));
            return new Drawing(render.name, render.width, render.height, render.burnIn, project.rate,
                    project.dropFrame, null, null, master, nested, movies(master, nested), shots, cameras, stage,
                    render.frames, master.start(), sound(masterRow.id, FrameRange.ofLength(master.start(),
                    render.frames), project.rate), edit);
        }
        Shot shot = shots.get(render.shotId);
        RenderRange range = SequenceService.range(render);
        return new Drawing(render.name, render.width, render.height, render.burnIn, project.rate, project.dropFrame,
                range, shot, null, Map.of(), Map.of(), shots, cameras, stage, render.frames, range.startTimecode(),
                shotSound(masterRow.id, master, shot, range, project.rate),
                staleness.now(shot, cameras.get(shot.id()), stage, range));
    }

    /** Every master that one nests, at any depth. */
    private Map<Long, Master> nested(Master master) {
        Map<Long, Master> nested = new TreeMap<>();
        Deque<Master> open = new ArrayDeque<>(List.of(master));
        while (!open.isEmpty()) {
            for (Section section : open.pop().sections()) {
                if (section.content() instanceof Section.Content.OfMaster m && !nested.containsKey(m.masterId())) {
                    Master inner = masters.read(store.get(MasterRow.class, m.masterId()));
                    nested.put(inner.id(), inner);
                    open.push(inner);
                }
            }
        }
        return nested;
    }

    private Map<Long, Path> movies(Master master, Map<Long, Master> nested) {
        Map<Long, Path> movies = new HashMap<>();
        Stream.concat(Stream.of(master), nested.values().stream()).flatMap(m -> m.sections().stream()).forEach(s -> {
            if (s.content() instanceof Section.Content.OfRender r) {
                movies.computeIfAbsent(r.renderId(),
                        id -> folders.renders().resolve(store.get(RenderRow.class, id).file));
            }
        });
        return movies;
    }

    /** The sound under a shot where the master shows it as the render does. */
    private List<MovieSound> shotSound(long masterId, Master master, Shot shot, RenderRange range, FrameRate rate) {
        for (Section section : master.main().sections()) {
            FrameRange place = section.shotId() == shot.id() ? range.on(section) : null;
            if (place != null) {
                return sound(masterId, place, rate);
            }
        }
        return List.of();
    }

    private List<MovieSound> sound(long masterId, FrameRange movie, FrameRate rate) {
        List<MovieSound> pieces = new ArrayList<>();
        Map<String, SoundLaneRow> lanes = laidSound.laneRows(masterId);
        for (SoundRow sound : laidSound.rows(masterId)) {
            long in = Math.max(sound.recIn, movie.in());
            long out = Math.min(sound.recOut, movie.out());
            double gain = LaidSound.gain(sound, lanes);
            if (sound.mediaId != null && in < out && gain > 0) {
                boolean plain = gain == 1 && sound.fadeIn == 0 && sound.fadeOut == 0;
                MovieSound.Loudness loud = plain ? MovieSound.Loudness.PLAIN : new MovieSound.Loudness(gain,
                        rate.seconds(in - sound.recIn).toDouble(), rate.seconds(sound.recOut - sound.recIn).toDouble(),
                        rate.seconds(sound.fadeIn).toDouble(), rate.seconds(sound.fadeOut).toDouble());
                pieces.add(new MovieSound(media.file(store.get(MediaRow.class, sound.mediaId)),
                        sound.fromSeconds.plus(rate.seconds(in - sound.recIn)).toDouble(),
                        rate.seconds(out - in).toDouble(), rate.seconds(in - movie.in()).toDouble(), loud));
            }
        }
        return pieces;
    }
}
