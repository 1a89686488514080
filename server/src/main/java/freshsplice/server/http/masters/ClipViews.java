package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Clip;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.master.SeenClip;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Clips of a master as the window draws them. Those that nothing touched are the same objects from one time to the next. */
@Component
class ClipViews {
    private static final int BYTES_A_CLIP = 500;
    private static final long MOST_BYTES = 64L << 20;

    private final Store store;
    private final Cache<Track, TrackViews> made = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Track, TrackViews>weigher((track, made) -> (made.views().size() + 1) * BYTES_A_CLIP).build();

    ClipViews(Store store) {
        this.store = store;
    }

    private record Track(long masterId, int track) {
    }

    /** Views of a track, and what they were made of. @param cameras of each clip; null where it has none */
    private record TrackViews(MasterLayout laid, List<Camera> cameras, List<MasterView.Clip> views) {
    }

    static boolean isStaged(Camera camera) {
        return camera != null && camera.isStaged();
    }

    /** @param track 0 for the main one; @param cameras by id */
    List<MasterView.Clip> of(MasterLayout laid, int track, Map<Long, Camera> cameras) {
        List<LiveClips.Live> clips = laid.tracks().get(track);
        TrackViews before = made.getIfPresent(new Track(laid.master().id(), track));
        boolean sameTrack = before != null && before.laid() == laid;
        List<Camera> filmedBy = new ArrayList<>();
        List<MasterView.Clip> views = new ArrayList<>();
        List<SeenClip> seen = SeenClip.ofLive(clips);
        for (int i = 0; i < clips.size(); i++) {
            ShotRow shot = laid.shots().get(clips.get(i).clip().shotId());
            Camera camera = shot == null ? null : cameras.get(shot.cameraId);
            filmedBy.add(camera);
            if (sameTrack && before.cameras().get(i) == camera) {
                views.add(before.views().get(i));
            } else {
                views.add(view(clips.get(i), seen.get(i).seen(), camera, laid));
            }
        }
        made.put(new Track(laid.master().id(), track), new TrackViews(laid, filmedBy, views));
        return views;
    }

    private MasterView.Clip view(LiveClips.Live live, FrameRange seen, Camera camera, MasterLayout laid) {
        Clip clip = live.clip();
        ShotRow shot = laid.shots().get(clip.shotId());
        BoardRow board = shot == null ? null : laid.boards().get(shot.id);
        Rational from = clip.from();
        RenderRange asked = RenderRange.of(clip, seen);
        return new MasterView.Clip(live.outer().id(), content(clip), shot == null ? 0 : shot.sceneId, clip.shotId(), title(clip, shot),
                clip.record().in(), clip.record().out(), seen.in(), seen.out(), from.floor(),
                clip.at(clip.record().last()).floor(), shotFrames(clip), asked.from().toString(),
                Weights.in(clip.head()), clip.speed().toString(), RetimeKey.text(asked.retimeKeys()), keys(clip),
                isStaged(camera), camera != null && camera.locked(), camera == null ? "" : camera.name(),
                camera == null ? 0 : camera.keyed(CameraChannel.LENS, from),
                camera == null ? 0 : camera.keyed(CameraChannel.STOP, from),
                camera == null ? 0 : camera.keyed(CameraChannel.FOCUS, from), board == null ? "" : board.sourceName,
                board == null ? null : board.mediaId,
                board != null && board.mediaId != null && laid.moving().contains(board.mediaId),
                shot == null ? null : laid.fits().get(shot.id),
                clip.content() instanceof Clip.Content.OfRender r ? (Long) r.renderId() : null, renderFps(clip, laid),
                shot == null ? 0 : shot.handles, clip.enabled(), Weights.out(clip.tail()),
                shot == null ? 0 : MasterStore.shot(shot).actionAt(from).floor(), nest(live, laid),
                laid.aliases().get(clip.shotId()));
    }

    private Double renderFps(Clip clip, MasterLayout laid) {
        return clip.content() instanceof Clip.Content.OfRender r
                ? (Double) store.get(RenderRow.class, r.renderId()).drawnRate(laid.master().rate()).toDouble() : null;
    }

    private static MasterView.Nest nest(LiveClips.Live live, MasterLayout laid) {
        if (!(live.outer().content() instanceof Clip.Content.OfMaster outer)) {
            return null;
        }
        Master nested = laid.nested().apply(outer.masterId());
        return new MasterView.Nest(nested.id(), nested.name(), live.clip().id(), innermost(nested, live, laid));
    }

    private static long innermost(Master nested, LiveClips.Live live, MasterLayout laid) {
        long id = live.clip().id();
        for (Clip clip : nested.clips()) {
            if (clip.id() == id) {
                return nested.id();
            }
        }
        return nested.clips().stream().filter(s -> s.content() instanceof Clip.Content.OfMaster)
                .mapToLong(s -> innermost(laid.nested().apply(((Clip.Content.OfMaster) s.content()).masterId()), live,
                        laid)).filter(found -> found != 0).findFirst().orElse(0);
    }

    private static MasterView.Content content(Clip clip) {
        return clip.content() instanceof Clip.Content.OfShot ? MasterView.Content.SHOT
                : clip.content() instanceof Clip.Content.OfRender ? MasterView.Content.RENDER
                : clip.content() instanceof Clip.Content.Slate ? MasterView.Content.SLATE
                : MasterView.Content.BLACK;
    }

    private String title(Clip clip, ShotRow shot) {
        if (shot != null) {
            return shot.code;
        }
        return clip.content() instanceof Clip.Content.Slate slate ? slate.text()
                : clip.content() instanceof Clip.Content.OfRender r ? store.get(RenderRow.class, r.renderId()).name
                : "black";
    }

    private static List<MasterView.Key> keys(Clip clip) {
        return clip.retimeKeys().size() > RetimeKey.MOST ? List.of() : clip.retimeKeys().stream()
                .filter(b -> b.at().isWhole() && b.at().signum() >= 0 && b.at().floor() <= clip.record().length())
                .map(b -> new MasterView.Key(clip.record().in() + b.at().floor(), b.position().floor(),
                        b.interpolation().name())).toList();
    }

    private static List<Long> shotFrames(Clip clip) {
        return clip.speed().equals(Rational.ONE) && clip.isEven() ? List.of()
                : LongStream.range(clip.record().in(), clip.record().out())
                .mapToObj(r -> clip.at(r).floor()).toList();
    }
}
