package freshsplice.server.cuts;

import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.FirstMaster;
import freshsplice.core.conform.PlannedShot;
import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Track;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.sound.SoundClip;
import freshsplice.core.sound.SourceChannels;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.SceneRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.SceneMaker;
import freshsplice.server.shots.ShotMaker;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Turns a planned conform into rows: scene, cameras, shots, boards, master, sound. Runs inside a step. */
@Component
public class Receiving {
    /** A stretch of sound with its fades on the record clock. @param channel of its file, from 1; 0 for all */
    public record SoundOfCut(String track, String name, String sourceKey, Long mediaId, SoundClip clip, int channel) {
        public FrameRange record() {
            return clip.record();
        }
    }

    private final Store store;
    private final Sources sources;
    private final MasterStore masters;
    private final SceneMaker scenes;
    private final ShotMaker shotMaker;

    Receiving(Store store, Sources sources, MasterStore masters, SceneMaker scenes, ShotMaker shotMaker) {
        this.store = store;
        this.sources = sources;
        this.masters = masters;
        this.scenes = scenes;
        this.shotMaker = shotMaker;
    }

    void receive(ProjectRow project, CutRow row, Cut cut, FirstMaster.MasterWithShots made, ConformPlan plan) {
        Map<String, SceneRow> byCode = new HashMap<>();
        Finders finders = sources.finders(project.id, Sources.all(cut));
        Map<String, Long> cameras = new HashMap<>();
        Map<Long, Long> shotIds = new HashMap<>();
        for (int i = 0; i < made.shots().size(); i++) {
            PlannedShot planned = plan.shots().get(i);
            SceneRow scene = byCode.computeIfAbsent(planned.scene(), code -> code.isEmpty() ? scenes.of(project, row.name)
                    : scenes.coded(project, code));
            long camera = cameras.computeIfAbsent(scene.id + " " + planned.camera(),
                    name -> shotMaker.camera(project, scene.id, planned.camera()));
            shotIds.put(made.shots().get(i).id(), shotMaker.shot(project, scene.id, camera, made.shots().get(i),
                    Sources.wanted(planned.clip(), cut.rate()), finders).id);
        }
        MasterRow master = masters.add(project.id, sceneOfFirst(project, row, plan, byCode), row.name, cut.record().in(), row.id);
        Master empty = masters.read(master);
        masters.write(master, empty, empty.withMain(made.master().main().clips().stream()
                .map(s -> s.shotId() == 0 ? s : s.showing(new Clip.Content.OfShot(shotIds.get(s.shotId())), s.from())).toList()));
        layOutSound(master.id, sound(project.id, cut, finders));
    }

    /** New shots of a master that say no scene are filmed in that of its first. */
    private long sceneOfFirst(ProjectRow project, CutRow row, ConformPlan plan, Map<String, SceneRow> byCode) {
        return plan.shots().isEmpty() ? scenes.of(project, row.name).id : byCode.get(plan.shots().get(0).scene()).id;
    }

    private void layOutSound(long masterId, List<SoundOfCut> clips) {
        clips.forEach(clip -> lay(masterId, clip));
    }

    void lay(long masterId, SoundOfCut clip) {
        SoundRow sound = new SoundRow();
        sound.masterId = masterId;
        sound.track = clip.track();
        sound.name = clip.name();
        sound.sourceKey = clip.sourceKey();
        sound.mediaId = clip.mediaId();
        LaidSound.lay(sound, clip.clip());
        sound.channel = clip.channel();
        store.add(sound);
    }

    /** Source frames from the first of its media on: a source that has a timecode does not begin at 0. */
    private static Rational fromFirstSample(Event event) {
        Long start = event.source() == null ? null : event.source().start();
        return start == null ? event.from() : event.from().minus(Rational.of(start));
    }

    /** The cut's own sound, and sound files that no event names, laid from its first frame. */
    public List<SoundOfCut> sound(long projectId, Cut cut, Finders finders) {
        List<SoundOfCut> clips = new ArrayList<>(named(cut, finders));
        Set<Long> used = clips.stream().map(SoundOfCut::mediaId).filter(Objects::nonNull).collect(Collectors.toSet());
        int track = (int) cut.tracks().stream().filter(l -> l.kind() == Track.Kind.SOUND).count();
        for (MediaRow file : store.where(MediaRow.class, "projectId", projectId)) {
            if (file.kind == MediaRow.Kind.SOUND && !used.contains(file.id)) {
                long frames = Rational.of(Math.round(file.seconds * 1000), 1000).times(cut.rate().fps()).floor();
                FrameRange record = FrameRange.ofLength(cut.record().in(),
                        Math.max(1, Math.min(frames, cut.record().length())));
                clips.add(new SoundOfCut("A" + ++track, file.name, null, file.id,
                        new SoundClip(record, Rational.ZERO, 0, 0), SourceChannels.ALL));
            }
        }
        return clips;
    }

    /** The sound that a cut names, event by event. */
    List<SoundOfCut> named(Cut cut, Finders finders) {
        List<SoundOfCut> clips = new ArrayList<>();
        List<Track> tracks = cut.tracks().stream().filter(l -> l.kind() == Track.Kind.SOUND).toList();
        List<List<Integer>> channels = SourceChannels.of(tracks);
        for (int l = 0; l < tracks.size(); l++) {
            for (int e = 0; e < tracks.get(l).events().size(); e++) {
                Event event = tracks.get(l).events().get(e);
                FrameRate rate = event.source() == null || event.source().rate() == null ? cut.rate()
                        : event.source().rate();
                clips.add(new SoundOfCut(tracks.get(l).name(), event.source() == null ? "" : event.source().label(),
                        event.source() == null ? null : event.source().identity(),
                        finders.idOf(Track.Kind.SOUND, Sources.wanted(event, cut.rate())), SoundClip.of(tracks.get(l), event, fromFirstSample(event).dividedBy(rate.fps())),
                        channels.get(l).get(e)));
            }
        }
        return clips;
    }
}
