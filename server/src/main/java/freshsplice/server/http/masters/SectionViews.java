package freshsplice.server.http.masters;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Bend;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.SeenPiece;
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

/** Pieces of a master as the window draws them. Those that nothing touched are the same objects from one time to the next. */
@Component
class SectionViews {
    private static final int BYTES_A_PIECE = 500;
    private static final long MOST_BYTES = 64L << 20;

    private final Store store;
    private final Cache<Lane, LaneViews> made = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Lane, LaneViews>weigher((lane, made) -> (made.views().size() + 1) * BYTES_A_PIECE).build();

    SectionViews(Store store) {
        this.store = store;
    }

    private record Lane(long masterId, int lane) {
    }

    /** Views of a lane, and what they were made of. @param cameras of each piece; null where it has none */
    private record LaneViews(MasterLayout laid, List<Camera> cameras, List<SequenceView.Section> views) {
    }

    static boolean isStaged(Camera camera) {
        return camera != null && camera.isStaged();
    }

    /** @param lane 0 for the main one; @param cameras by id */
    List<SequenceView.Section> of(MasterLayout laid, int lane, Map<Long, Camera> cameras) {
        List<LivePieces.Live> pieces = laid.lanes().get(lane);
        LaneViews before = made.getIfPresent(new Lane(laid.master().id(), lane));
        boolean sameLane = before != null && before.laid() == laid;
        List<Camera> filmedBy = new ArrayList<>();
        List<SequenceView.Section> views = new ArrayList<>();
        List<SeenPiece> seen = SeenPiece.ofLive(pieces);
        for (int i = 0; i < pieces.size(); i++) {
            ShotRow shot = laid.shots().get(pieces.get(i).section().shotId());
            Camera camera = shot == null ? null : cameras.get(shot.cameraId);
            filmedBy.add(camera);
            if (sameLane && before.cameras().get(i) == camera) {
                views.add(before.views().get(i));
            } else {
                views.add(view(pieces.get(i), seen.get(i).seen(), camera, laid));
            }
        }
        made.put(new Lane(laid.master().id(), lane), new LaneViews(laid, filmedBy, views));
        return views;
    }

    private SequenceView.Section view(LivePieces.Live live, FrameRange seen, Camera camera, MasterLayout laid) {
        Section section = live.section();
        ShotRow shot = laid.shots().get(section.shotId());
        BoardRow board = shot == null ? null : laid.boards().get(shot.id);
        Rational from = section.from();
        RenderRange asked = RenderRange.of(section, seen);
        return new SequenceView.Section(live.outer().id(), content(section), shot == null ? 0 : shot.sceneId, section.shotId(), title(section, shot),
                section.record().in(), section.record().out(), seen.in(), seen.out(), from.floor(),
                section.at(section.record().last()).floor(), shotFrames(section), asked.from().toString(),
                Weights.in(section.head()), section.speed().toString(), Bend.text(asked.bends()), keys(section),
                isStaged(camera), camera != null && camera.locked(), camera == null ? "" : camera.name(),
                camera == null ? 0 : camera.keyed(CameraChannel.LENS, from),
                camera == null ? 0 : camera.keyed(CameraChannel.STOP, from),
                camera == null ? 0 : camera.keyed(CameraChannel.FOCUS, from), board == null ? "" : board.sourceName,
                board == null ? null : board.mediaId,
                board != null && board.mediaId != null && laid.moving().contains(board.mediaId),
                shot == null ? null : laid.fits().get(shot.id),
                section.content() instanceof Section.Content.OfRender r ? (Long) r.renderId() : null, renderFps(section, laid),
                shot == null ? 0 : shot.handles, section.enabled(), Weights.out(section.tail()),
                shot == null ? 0 : MasterStore.shot(shot).actionAt(from).floor(), nest(live, laid),
                laid.aliases().get(section.shotId()));
    }

    private Double renderFps(Section section, MasterLayout laid) {
        return section.content() instanceof Section.Content.OfRender r
                ? (Double) store.get(RenderRow.class, r.renderId()).drawnRate(laid.master().rate()).toDouble() : null;
    }

    private static SequenceView.Nest nest(LivePieces.Live live, MasterLayout laid) {
        if (!(live.outer().content() instanceof Section.Content.OfMaster outer)) {
            return null;
        }
        Master nested = laid.nested().apply(outer.masterId());
        return new SequenceView.Nest(nested.id(), nested.name(), live.section().id(), innermost(nested, live, laid));
    }

    private static long innermost(Master nested, LivePieces.Live live, MasterLayout laid) {
        long id = live.section().id();
        for (Section section : nested.sections()) {
            if (section.id() == id) {
                return nested.id();
            }
        }
        return nested.sections().stream().filter(s -> s.content() instanceof Section.Content.OfMaster)
                .mapToLong(s -> innermost(laid.nested().apply(((Section.Content.OfMaster) s.content()).masterId()), live,
                        laid)).filter(found -> found != 0).findFirst().orElse(0);
    }

    private static SequenceView.Content content(Section section) {
        return section.content() instanceof Section.Content.OfShot ? SequenceView.Content.SHOT
                : section.content() instanceof Section.Content.OfRender ? SequenceView.Content.RENDER
                : section.content() instanceof Section.Content.Slate ? SequenceView.Content.SLATE
                : SequenceView.Content.BLACK;
    }

    private String title(Section section, ShotRow shot) {
        if (shot != null) {
            return shot.code;
        }
        return section.content() instanceof Section.Content.Slate slate ? slate.text()
                : section.content() instanceof Section.Content.OfRender r ? store.get(RenderRow.class, r.renderId()).name
                : "black";
    }

    private static List<SequenceView.Key> keys(Section section) {
        return section.bends().size() > Bend.MOST ? List.of() : section.bends().stream()
                .filter(b -> b.at().isWhole() && b.at().signum() >= 0 && b.at().floor() <= section.record().length())
                .map(b -> new SequenceView.Key(section.record().in() + b.at().floor(), b.position().floor(),
                        b.pace().name())).toList();
    }

    private static List<Long> shotFrames(Section section) {
        return section.speed().equals(Rational.ONE) && section.isEven() ? List.of()
                : LongStream.range(section.record().in(), section.record().out())
                .mapToObj(r -> section.at(r).floor()).toList();
    }
}
