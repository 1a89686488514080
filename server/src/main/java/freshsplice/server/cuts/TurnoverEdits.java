package freshsplice.server.cuts;

import freshsplice.core.changes.Applying;
import freshsplice.core.changes.Change;
import freshsplice.core.changes.NewShots;
import freshsplice.core.changes.Turnover;
import freshsplice.core.conform.CodePattern;
import freshsplice.core.conform.Conform;
import freshsplice.core.cut.Track;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.shot.Shot;
import freshsplice.core.sound.SoundOfNewerCut;
import freshsplice.core.words.Amounts;
import freshsplice.server.masters.MasterEdits;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.SoundRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.SceneMaker;
import freshsplice.server.shots.ShotMaker;
import freshsplice.server.sources.Finders;
import freshsplice.server.sources.Sources;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.LaidSound;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;

/** Chosen changes of a newer cut, carried into the master as one step. */
@Service
public class TurnoverEdits {
    private final Store store;
    private final MasterStore masters;
    private final Comparing comparing;
    private final Receiving receiving;
    private final Sources sources;
    private final Steps steps;
    private final ShotMaker shotMaker;
    private final MasterEdits edits;
    private final KnownSources known;
    private final SceneMaker scenes;
    private final CutStore cuts;
    private final LaidSound sounds;

    TurnoverEdits(Store store, MasterStore masters, Comparing comparing, Receiving receiving, Sources sources, Steps steps,
                  ShotMaker shotMaker, MasterEdits edits, KnownSources known, SceneMaker scenes,
                  CutStore cuts, LaidSound sounds) {
        this.cuts = cuts;
        this.sounds = sounds;
        this.scenes = scenes;
        this.edits = edits;
        this.known = known;
        this.store = store;
        this.masters = masters;
        this.comparing = comparing;
        this.receiving = receiving;
        this.sources = sources;
        this.steps = steps;
        this.shotMaker = shotMaker;
    }

    private Finders finders(ComparedMaster side) {
        return sources.finders(side.cutRow().projectId, Sources.all(side.cut()));
    }

    /**
     * What applying left.
     *
     * @param applied how many of the chosen changes were applied
     * @param left    what was chosen and is not there any more: somebody edited its clip meanwhile; in words
     */
    public record Outcome(int applied, List<String> left) {
    }

    /**
     * Applies chosen changes as one step. Camera work stays; what is omitted is kept aside. A change that has moved on since
     * it was shown is left and said.
     *
     * @param chosen changes by what they are, each with its words
     */
    public Outcome apply(long cutId, Long masterId, Map<String, String> chosen, Asker who) {
        CutRow asked = store.get(CutRow.class, cutId);
        String name = "Apply " + Amounts.of(chosen.size(), "change") + " of cut "
                + asked.version;
        return steps.make(asked.projectId, name, who, () -> {
            ComparedMaster side = comparing.compare(cutId, masterId);
            Map<String, Integer> there = new HashMap<>();
            List<Change> changes = side.turnover().changes().changes();
            for (int i = 0; i < changes.size(); i++) {
                there.put(side.turnover().nameOf(changes.get(i)), i);
            }
            Set<Integer> found = new HashSet<>();
            List<String> left = new ArrayList<>();
            chosen.forEach((change, words) -> {
                if (there.containsKey(change)) {
                    found.add(there.get(change));
                } else {
                    left.add(words);
                }
            });
            if (found.isEmpty()) {
                throw new Refused("None of these changes is there any more: the master was edited since the list was shown. "
                        + "Look at it again");
            }
            carry(side, found);
            return new Outcome(found.size(), left);
        });
    }

    private void carry(ComparedMaster side, Set<Integer> chosen) {
        ProjectRow project = store.get(ProjectRow.class, side.cutRow().projectId);
        Applying.Outcome applied = Applying.apply(side.turnover(), chosen, project.firstFrame);
        Finders finders = finders(side);
        applied.shots().forEach((id, shot) -> change(side, side.shots().get(id), shot, finders));
        List<SoundOfNewerCut.Laid> laid = laid(side.row().id);
        edits.write(side.row(), side.master(), withNewShots(project, side, applied, finders));
        if (chosen.containsAll(edits(side.turnover()))) {
            takeSound(side, laid, finders);
        }
        side.row().cutId = side.cutRow().id;
    }

    /**
     * Makes clips of the master as they are in a cut, as one step: all that the cut changes of them.
     *
     * @param clips ids of the clips; empty for all
     */
    public void asInCut(long cutId, Long masterId, Set<Long> clips, Asker who) {
        CutRow asked = store.get(CutRow.class, cutId);
        steps.make(asked.projectId, "Make " + (clips.isEmpty() ? "the master" : clips.size() == 1 ? "1 clip"
                : clips.size() + " clips") + " as in cut " + asked.version, who, () -> {
            ComparedMaster side = comparing.compare(cutId, masterId);
            Set<Integer> chosen = ofClips(side, clips);
            if (chosen.isEmpty()) {
                throw new Refused("That is as in the cut already, frame by frame");
            }
            carry(side, chosen);
            return null;
        });
    }

    private static Set<Integer> ofClips(ComparedMaster side, Set<Long> clips) {
        List<LiveClips.Live> ours = side.turnover().clips();
        List<Change> changes = side.turnover().changes().changes();
        Set<Integer> chosen = new HashSet<>();
        for (int i = 0; i < changes.size(); i++) {
            int old = changes.get(i).oldIndex();
            if (clips.isEmpty() || old >= 0 && clips.contains(ours.get(old).outer().id())) {
                chosen.add(i);
            }
        }
        return chosen;
    }

    /** Remembers for the project whether sources are one under two names, all as one step. */
    public void sayOfSources(long cutId, List<KnownSources.Pair> pairs, boolean same, Asker who) {
        known.say(store.get(CutRow.class, cutId).projectId, pairs, same, who);
    }

    /** Every change but those that follow by themselves. */
    private static Set<Integer> edits(Turnover turnover) {
        Set<Integer> edits = new HashSet<>();
        List<Change> changes = turnover.changes().changes();
        for (int i = 0; i < changes.size(); i++) {
            if (changes.get(i).because() < 0) {
                edits.add(i);
            }
        }
        return edits;
    }

    private void change(ComparedMaster side, ShotRow row, Shot shot, Finders finders) {
        if (!row.anchorKey.equals(shot.anchor().key())) {
            BoardRow board = store.where(BoardRow.class, "shotId", row.id).stream().findFirst().orElseThrow();
            board.sourceName = shot.anchor().name();
            board.sourceKey = shot.anchor().key();
            shotMaker.show(board, shot, Sources.wanted(side.cut()).get(Track.Kind.PICTURE).stream()
                    .filter(w -> w.source().identity().equals(shot.anchor().key())).findFirst().orElse(null), finders);
        }
        masters.fill(row, shot);
    }

    private Master withNewShots(ProjectRow project, ComparedMaster side, Applying.Outcome applied, Finders finders) {
        List<Clip> clips = new ArrayList<>(applied.master().main().clips());
        for (NewShots.NewShot made : NewShots.of(applied, MasterStore.shots(side.shots()), ProjectRules.numbering(project),
                project.handles, masters.codesInUse(project.id))) {
            long scene = scene(project, side, made);
            long camera = shotMaker.camera(project, scene, Conform.cameraOf(made.shot().code()));
            ShotRow row = shotMaker.shot(project, scene, camera, made.shot(),
                    Sources.wanted(made.clip(), side.cut().rate()), finders);
            side.shots().put(row.id, row);
            Clip clip = clips.get(made.place());
            clips.set(made.place(), clip.named(0).showing(new Clip.Content.OfShot(row.id), clip.from()));
        }
        return applied.master().withMain(clips);
    }

    /** What its name says, else the scene that the master's shots are filmed in. */
    private long scene(ProjectRow project, ComparedMaster side, NewShots.NewShot made) {
        String code = Conform.scene(side.cut(), made.clip(), project.scenePattern == null ? null : CodePattern.of(project.scenePattern));
        return code.isEmpty() ? side.row().sceneId : scenes.coded(project, code).id;
    }

    /** Laid sound as the newer cut has it, where the cut says something of sound; what people did to it stays. */
    private void takeSound(ComparedMaster side, List<SoundOfNewerCut.Laid> before, Finders finders) {
        MasterRow row = side.row();
        Map<SoundOfNewerCut.Clip, Receiving.SoundOfCut> newer = new LinkedHashMap<>();
        receiving.named(side.cut(), finders).forEach(clip -> newer.put(clip(clip), clip));
        List<SoundOfNewerCut.Clip> older = row.cutId == null ? List.of()
                : receiving.named(cuts.picked(store.get(CutRow.class, row.cutId)), finders).stream().map(TurnoverEdits::clip).toList();
        SoundOfNewerCut.Outcome outcome = SoundOfNewerCut.of(before, older, List.copyOf(newer.keySet()), side.cut().rate());
        for (SoundRow sound : sounds.rows(row.id)) {
            if (outcome.gone().contains(sound.id)) {
                store.remove(sound);
            } else if (outcome.placed().containsKey(sound.id)) {
                SoundOfNewerCut.Clip clip = outcome.placed().get(sound.id);
                sound.track = clip.track();
                LaidSound.lay(sound, LaidSound.clip(sound).placed(clip.record(), clip.fromSeconds()));
            }
        }
        outcome.added().forEach(clip -> receiving.lay(row.id, newer.get(clip)));
    }

    private static SoundOfNewerCut.Clip clip(Receiving.SoundOfCut sound) {
        return new SoundOfNewerCut.Clip(sound.track(), sound.sourceKey() == null ? "" : sound.sourceKey(), sound.channel(), sound.record(),
                sound.clip().fromSeconds());
    }

    /** How sound lies before the picture is changed: it goes along with that. */
    private List<SoundOfNewerCut.Laid> laid(long masterId) {
        return sounds.rows(masterId).stream().map(s -> new SoundOfNewerCut.Laid(s.id, s.track, s.sourceKey, s.channel, LaidSound.clip(s))).toList();
    }
}
