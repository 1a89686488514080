package freshsplice.server.masters;

import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Arranging;
import freshsplice.core.master.edit.Nesting;
import freshsplice.core.master.edit.Place;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.server.masters.edit.NewClip;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.shots.ShotMaker;
import freshsplice.server.shots.Shots;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.CameraStore;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** New clips of masters: from shots, renders, other masters, black, slates, and shots that are made for them. */
@Component
class NewClips {
    private static final long MOST_FRAMES = 1_000_000;
    private static final int LONGEST_SLATE = 500;

    private final Store store;
    private final MasterStore masters;
    private final ShotMaker shotMaker;
    private final Shots shots;
    private final CameraStore cameras;

    NewClips(Store store, MasterStore masters, ShotMaker shotMaker, Shots shots, CameraStore cameras) {
        this.cameras = cameras;
        this.shots = shots;
        this.store = store;
        this.masters = masters;
        this.shotMaker = shotMaker;
    }

    /** The clip that was asked for, from record frame 0 on. */
    Clip of(MasterRow into, NewClip wanted) {
        return switch (wanted.shows()) {
            case SHOT -> ofShot(wanted);
            case RENDER -> ofRender(into, wanted);
            case MASTER -> ofMaster(into, wanted);
            case BLACK -> still(new Clip.Content.Black(), wanted);
            case SLATE -> still(new Clip.Content.Slate(slateText(wanted.text())), wanted);
        };
    }

    private Clip ofShot(NewClip wanted) {
        ShotRow row = shots.find(wanted.id());
        if (row == null) {
            throw new Refused("That shot is not there any more: choose another");
        }
        long from = wanted.from() == null ? row.cutIn : wanted.from();
        long frames = wanted.frames() == null ? Math.max(1, row.cutOut - from) : wanted.frames();
        return Clip.ofShot(0, row.id, FrameRange.ofLength(0, checked(frames)), Rational.of(from));
    }

    private Clip ofRender(MasterRow into, NewClip wanted) {
        RenderRow row = wanted.id() == null ? null : store.entities().find(RenderRow.class, wanted.id());
        if (row == null || row.projectId != into.projectId || row.state != RenderRow.State.DONE) {
            throw new Refused("That render is not finished: only a finished one can stand in a master");
        }
        long from = wanted.from() == null ? 0 : wanted.from();
        // a movie of another rate plays as long as it does by itself
        FrameRate own = store.get(ProjectRow.class, into.projectId).rate;
        Rational speed = row.drawnRate(own).dividedBy(own.fps());
        long frames = wanted.frames() == null ? Math.max(1, Rational.of(row.frames - from).dividedBy(speed).floor()) : wanted.frames();
        if (from < 0 || from >= row.frames) {
            throw new Refused(row.name + " has frames 0 to " + (row.frames - 1) + "; it has no frame " + from);
        }
        return new Clip(0, new Clip.Content.OfRender(row.id), FrameRange.ofLength(0, checked(frames)),
                Rational.of(from), speed, true, null, null);
    }

    private Clip ofMaster(MasterRow into, NewClip wanted) {
        MasterRow row = wanted.id() == null ? null : store.get(MasterRow.class, wanted.id());
        if (row == null || row.projectId != into.projectId) {
            throw new Refused("That master is not in this project: choose another");
        }
        Clip whole = Nesting.whole(masters.read(row));
        long from = wanted.from() == null ? whole.record().in() : wanted.from();
        long frames = wanted.frames() == null ? whole.record().out() - from : wanted.frames();
        return whole.timed(FrameRange.ofLength(0, checked(frames)), Rational.of(from), Rational.ONE);
    }

    private static Clip still(Clip.Content content, NewClip wanted) {
        long frames = wanted.frames() == null ? 24 : wanted.frames();
        return new Clip(0, content, FrameRange.ofLength(0, checked(frames)), Rational.ZERO, Rational.ONE, true, null,
                null);
    }

    private static String slateText(String text) {
        String plain = text == null ? "" : text.strip();
        if (plain.isEmpty() || plain.length() > LONGEST_SLATE) {
            throw new Refused("A slate needs 1 to " + LONGEST_SLATE + " letters");
        }
        return plain;
    }

    private static long checked(long frames) {
        if (frames < 1 || frames > MOST_FRAMES) {
            throw new Refused("A clip lasts 1 to " + MOST_FRAMES + " frames, not " + frames);
        }
        return frames;
    }

    /** A master with a new shot put in: numbered between its neighbours, with a camera of its own. */
    Master withShot(MasterRow row, Master master, long at, long frames) {
        checked(frames);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        List<Clip> ofShots = master.main().clips().stream().filter(s -> s.shotId() != 0).toList();
        String before = ofShots.stream().filter(s -> s.record().in() < at).reduce((a, b) -> b)
                .map(s -> shots.find(s.shotId()).code).orElse(null);
        String after = ofShots.stream().filter(s -> s.record().in() >= at).findFirst()
                .map(s -> shots.find(s.shotId()).code).orElse(null);
        ShotNumbering numbering = ProjectRules.numbering(project);
        String code = numbering.between(before, after, masters.codesInUse(project.id));
        long made = shot(project, row.sceneId, code, frames, at - master.start());
        return Arranging.insert(master, 0, at, Clip.ofShot(0, made, FrameRange.ofLength(at, frames),
                Rational.of(project.firstFrame)));
    }

    /**
     * A master whose clip shows a shot of its own: numbered after the one that it showed, with a copy of its camera and its board, at
     * the same action frames. Where it comes from is remembered.
     */
    Master forked(MasterRow row, Master master, Place place) {
        Clip clip = place.in(master);
        if (clip.shotId() == 0) {
            throw new Refused("The clip at record frame " + clip.record().in() + " shows no shot to fork from");
        }
        ShotRow from = shots.find(clip.shotId());
        if (master.clips().stream().filter(s -> s.shotId() == from.id).count() < 2) {
            throw new Refused(from.code + " is seen in this clip alone: it is a shot of its own already");
        }
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        String code = ProjectRules.numbering(project).between(from.code, next(master, place), masters.codesInUse(project.id));
        Shot was = MasterStore.shot(from);
        Shot shot = new Shot(0, code, clip.shownOver(clip.record()), was.handles(), was.actionOffset(), was.anchor());
        long camera = cameras.add(from.sceneId, cameras.camera(from.cameraId).named(Conform.cameraOf(code)).locked(false)).id;
        ShotRow made = shotMaker.shot(project, from.sceneId, camera, shot, null, null);
        made.forkedFrom = from.id;
        shotMaker.sameBoard(from.id, made.id);
        return Arranging.replace(master, place, new Clip.Content.OfShot(made.id), clip.from());
    }

    /** The code of the next shot on the track that is another one; null where there is none. */
    private String next(Master master, Place clip) {
        List<Clip> clips = master.tracks().get(clip.track()).clips();
        return clips.stream().skip(clip.index() + 1L).filter(s -> s.shotId() != 0 && s.shotId() != clip.in(master).shotId())
                .findFirst().map(s -> shots.find(s.shotId()).code).orElse(null);
    }

    /** So many empty shots one after another from the master's start. */
    Master withShots(MasterRow row, Master master, int count, long frames) {
        checked(frames);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        List<String> codes = ProjectRules.numbering(project).codes(count, masters.codesInUse(project.id));
        List<Clip> clips = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            long made = shot(project, row.sceneId, codes.get(i), frames, i * frames);
            clips.add(Clip.ofShot(0, made, FrameRange.ofLength(master.start() + i * frames, frames),
                    Rational.of(project.firstFrame)));
        }
        return master.withMain(clips);
    }

    /** @param action action frame at which it begins; @return its id */
    private long shot(ProjectRow project, long sceneId, String code, long frames, long action) {
        FrameRange range = FrameRange.ofLength(project.firstFrame, frames);
        Shot shot = new Shot(0, code, range, project.handles, action - project.firstFrame,
                new Shot.Anchor("", "", project.firstFrame, Rational.ZERO, Rational.ONE, false));
        long camera = shotMaker.camera(project, sceneId, Conform.cameraOf(code));
        return shotMaker.shot(project, sceneId, camera, shot, null, null).id;
    }
}
