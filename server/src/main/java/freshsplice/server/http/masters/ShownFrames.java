package freshsplice.server.http.masters;

import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenClip;
import freshsplice.core.shot.Shot;
import freshsplice.core.sources.MediaFrames;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.renders.FinishedRenders;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.sources.Sources;
import freshsplice.server.stores.masters.MasterStore;
import java.util.List;
import java.util.function.LongUnaryOperator;
import java.util.function.Predicate;
import java.util.stream.LongStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which frames of a movie, a render or a board, are seen in a clip of a master. */
@Service
class ShownFrames {
    private final Store store;
    private final MasterStore masters;

    ShownFrames(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    private static MasterView.MovieFrames frames(SeenClip clip, Double framesPerSecond, LongUnaryOperator frameAt) {
        return new MasterView.MovieFrames(clip.seen().in(), LongStream.range(clip.seen().in(), clip.seen().out())
                .map(frameAt).boxed().toList(), framesPerSecond);
    }

    /**
     * Which frame of a render shows each record frame of the clip that lies at a record frame.
     *
     * @throws NotThere if no clip of the render's shot is seen there
     */
    @Transactional(readOnly = true)
    MasterView.MovieFrames ofRender(long masterId, long renderId, long at) {
        RenderRow render = store.get(RenderRow.class, renderId);
        Master master = masters.read(store.get(MasterRow.class, masterId));
        SeenClip clip = find(new LiveClips(masters.nested()).of(master), at, live -> render.shotId != null
                && live.clip().shotId() == render.shotId);
        if (clip == null) {
            throw new NotThere("There is no clip of " + render.name + "'s shot at record frame " + at);
        }
        RenderRange shown = FinishedRenders.range(render);
        return frames(clip, render.drawnRate(master.rate()).toDouble(), r -> shown.frameAt(clip.clip(), r));
    }

    /**
     * Which frame of its board's movie shows each record frame of a shot's clip that lies at a record frame, on any
     * track.
     *
     * @param clipId the clip, or the nest that it lies in
     * @throws NotThere if no such clip lies there, or it has no picture
     */
    @Transactional(readOnly = true)
    MasterView.MovieFrames ofBoard(long masterId, long clipId, long at) {
        Master master = masters.read(store.get(MasterRow.class, masterId));
        SeenClip clip = onAnyTrack(master, clipId, at);
        Shot shot = MasterStore.shot(store.get(ShotRow.class, clip.clip().shotId()));
        BoardRow board = store.where(BoardRow.class, "shotId", shot.id()).stream().filter(b -> b.mediaId != null)
                .findFirst().orElseThrow(() -> new NotThere("No picture was found for " + shot.code()));
        MediaFrames frames = frames(board, shot.anchor());
        return frames(clip, null, r -> frames.frameAt(shot.anchor().sourceAt(clip.clip().at(r))));
    }

    private MediaFrames frames(BoardRow board, Shot.Anchor anchor) {
        long shown = anchor.source().floor();
        return MediaFrames.of(Sources.candidate(store.get(MediaRow.class, board.mediaId)), shown,
                board.sourceBegins == null ? shown : board.sourceBegins);
    }

    private SeenClip onAnyTrack(Master master, long clipId, long at) {
        LiveClips clips = new LiveClips(masters.nested());
        for (int track = 0; track < master.tracks().size(); track++) {
            SeenClip clip = find(clips.ofTrack(master, track), at, live -> live.outer().id() == clipId
                    && live.clip().shotId() != 0);
            if (clip != null) {
                return clip;
            }
        }
        throw new NotThere("There is no clip of a shot at record frame " + at);
    }

    private static SeenClip find(List<LiveClips.Live> clips, long at, Predicate<LiveClips.Live> which) {
        List<SeenClip> seen = SeenClip.ofLive(clips);
        for (int i = 0; i < clips.size(); i++) {
            if (which.test(clips.get(i)) && seen.get(i).seen().contains(at)) {
                return seen.get(i);
            }
        }
        return null;
    }
}
