package freshsplice.server.http.masters;

import freshsplice.core.camera.Camera;
import freshsplice.core.camera.CameraChannel;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Bend;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.BoardRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.LongStream;
import org.springframework.stereotype.Component;

/** Pieces of a master as the window draws them. */
@Component
class SectionViews {
    private final Store store;
    private final MasterStore masters;

    SectionViews(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    /** Everything about shots that pieces show, read once. */
    private record Known(Map<Long, ShotRow> shots, Map<Long, Camera> cameras, Map<Long, BoardRow> boards,
                         Set<Long> moving, Map<Long, String> aliases, LongFunction<Master> nested) {
    }

    /** Makes views of pieces, and answers for their shots. */
    final class Maker {
        private final Known known;

        private Maker(Known known) {
            this.known = known;
        }

        /** @param pieces live pieces of one lane, in order */
        List<SequenceView.Section> views(List<LivePieces.Live> pieces) {
            return SectionViews.this.views(pieces, known);
        }

        boolean isStaged(long shotId) {
            Camera camera = known.cameras.get(known.shots.get(shotId).cameraId);
            return camera != null && camera.isStaged();
        }

        String code(long shotId) {
            return known.shots.get(shotId).code;
        }

        /** How many different sources of boards have no picture. */
        int missingBoards(List<List<LivePieces.Live>> lanes) {
            return (int) lanes.stream().flatMap(List::stream).map(l -> known.boards.get(l.section().shotId()))
                    .filter(b -> b != null && b.mediaId == null && !b.sourceName.isEmpty()).map(b -> b.sourceKey).distinct()
                    .count();
        }
    }

    Maker maker(long projectId, Map<Long, ShotRow> shots, Map<Long, BoardRow> boards, Map<Long, Camera> cameras,
                LongFunction<Master> nested) {
        Map<Long, String> aliases = new HashMap<>();
        masters.aliases(projectId).forEach((code, shot) -> aliases.merge(shot, code, (a, b) -> a + ", " + b));
        Known known = new Known(shots, cameras, boards, moving(projectId), aliases, nested);
        return new Maker(known);
    }

    private Set<Long> moving(long projectId) {
        return Set.copyOf(store.entities().createQuery("select m.id from MediaRow m where m.projectId = :project and "
                + "m.frames > 1 and m.alive = true", Long.class).setParameter("project", projectId).getResultList());
    }

    private List<SequenceView.Section> views(List<LivePieces.Live> pieces, Known known) {
        List<SequenceView.Section> views = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            Section next = i + 1 < pieces.size() ? pieces.get(i + 1).section() : null;
            views.add(view(pieces.get(i), pieces.get(i).section().seen(next), known));
        }
        return views;
    }

    private SequenceView.Section view(LivePieces.Live live, FrameRange seen, Known known) {
        Section section = live.section();
        ShotRow shot = known.shots.get(section.shotId());
        Camera camera = shot == null ? null : known.cameras.get(shot.cameraId);
        BoardRow board = shot == null ? null : known.boards.get(shot.id);
        Rational from = section.from();
        RenderRange asked = RenderRange.of(section, seen);
        return new SequenceView.Section(live.outer().id(), content(section), section.shotId(), title(section, shot),
                section.record().in(), section.record().out(), seen.in(), seen.out(), from.floor(),
                section.at(section.record().last()).floor(), shotFrames(section), asked.from().toString(),
                Weights.in(section.head()), section.speed().toString(), Bend.text(asked.bends()), keys(section),
                camera != null && camera.isStaged(), camera == null ? "" : camera.name(),
                camera == null ? 0 : camera.value(CameraChannel.LENS, from), camera == null ? 0 : camera.tStop(),
                camera == null ? 0 : camera.value(CameraChannel.FOCUS, from), board == null ? "" : board.sourceName,
                board == null ? null : board.mediaId,
                board != null && board.mediaId != null && known.moving.contains(board.mediaId),
                section.content() instanceof Section.Content.OfRender r ? (Long) r.renderId() : null,
                shot == null ? 0 : shot.handles, section.enabled(), Weights.out(section.tail()),
                shot == null ? 0 : MasterStore.shot(shot).actionAt(from).floor(), nest(live, known),
                known.aliases.get(section.shotId()));
    }

    private static SequenceView.Nest nest(LivePieces.Live live, Known known) {
        if (!(live.outer().content() instanceof Section.Content.OfMaster outer)) {
            return null;
        }
        Master nested = known.nested.apply(outer.masterId());
        return new SequenceView.Nest(nested.id(), nested.name(), live.section().id(), innermost(nested, live, known));
    }

    private static long innermost(Master nested, LivePieces.Live live, Known known) {
        long id = live.section().id();
        for (Section section : nested.sections()) {
            if (section.id() == id) {
                return nested.id();
            }
        }
        return nested.sections().stream().filter(s -> s.content() instanceof Section.Content.OfMaster)
                .mapToLong(s -> innermost(known.nested.apply(((Section.Content.OfMaster) s.content()).masterId()), live,
                        known)).filter(found -> found != 0).findFirst().orElse(0);
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
                        b.easing().name())).toList();
    }

    private static List<Long> shotFrames(Section section) {
        return section.speed().equals(Rational.ONE) && section.isEven() ? List.of()
                : LongStream.range(section.record().in(), section.record().out())
                .mapToObj(r -> section.at(r).floor()).toList();
    }

}
