package freshsplice.server.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.delivery.ShotRenders;
import freshsplice.core.delivery.ShotStands;
import freshsplice.core.master.LivePieces;
import freshsplice.core.master.Master;
import freshsplice.core.master.SeenPiece;
import freshsplice.core.render.RenderAsk;
import freshsplice.core.render.Versions;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.Bends;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for renders: each gets a version of its own name, and no name is ever given twice at one grade. */
@Service
public class RenderRequests {
    /**
     * How they are made.
     *
     * @param burnIn whether name, frame and timecode are written into the picture
     * @param blur   whether what is out of focus is blurred
     */
    public record How(Grade grade, int width, int height, boolean burnIn, boolean blur) {
        public How {
            if (width < 16 || height < 16 || width > PictureSize.LARGEST || height > PictureSize.LARGEST || width % 2 != 0 || height % 2 != 0) {
                throw new Refused("A movie's sides are even numbers of pixels from 16 to " + PictureSize.LARGEST + ", not " + width + " x "
                        + height);
            }
        }
    }

    private final Store store;
    private final MasterStore masters;
    private final FinishedRenders finished;

    RenderRequests(Store store, MasterStore masters, FinishedRenders finished) {
        this.store = store;
        this.masters = masters;
        this.finished = finished;
    }

    /**
     * @param shotIds  shots, drawn one by one
     * @param ask      what of each of them
     * @param master   whether to draw the whole master as one movie too
     * @param masterId which; null for the project's first
     */
    @Transactional
    public List<Long> ask(long projectId, List<Long> shotIds, RenderAsk ask, boolean master, Long masterId, How how, Asker who) {
        ProjectRow project = store.entities().find(ProjectRow.class, projectId, LockModeType.PESSIMISTIC_WRITE);
        MasterRow masterRow = masters.asked(projectId, masterId).orElseThrow(() -> new Refused("There is nothing to render yet: receive a cut first"));
        Master sequence = masters.read(masterRow);
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        Map<Long, List<SeenPiece>> pieces = pieces(sequence);
        ShotRenders known = finished.of(projectId, g -> g.compareTo(how.grade()) >= 0);
        Versions versions = versions(projectId);
        List<Long> ids = new ArrayList<>();
        for (Long shotId : shotIds) {
            ShotRow shot = shots.get(shotId);
            if (shot == null) {
                throw new Refused("One of the shots does not exist any more: choose again");
            }
            for (RenderRange range : ask.ranges(FrameRange.of(shot.cutIn, shot.cutOut), pieces.getOrDefault(shotId, List.of()), known)) {
                RenderRow row = row(project, versions.take(shot.code, how.grade(), range), range, how, who);
                row.shotId = shotId;
                row.handles = ask.handles();
                ids.add(store.add(row).id);
            }
        }
        if (master) {
            RenderRange range = new RenderRange(Rational.of(sequence.start()), Rational.ONE,
                    Math.max(1, sequence.end() - sequence.start()));
            RenderRow row = row(project, versions.take(RenderName.fileSafe(masterRow.name), how.grade(), range), range, how, who);
            row.masterId = masterRow.id;
            ids.add(store.add(row).id);
        }
        return ids;
    }

    private Map<Long, List<SeenPiece>> pieces(Master master) {
        LivePieces live = new LivePieces(masters.nested());
        return ShotStands.pieces(IntStream.range(0, master.lanes().size()).mapToObj(lane -> live.ofLane(master, lane)).toList(),
                live.of(master));
    }

    private Versions versions(long projectId) {
        return new Versions(store.where(RenderRow.class, "projectId", projectId).stream().flatMap(row -> RenderName.parse(row.name).stream()
                .map(name -> new Versions.Known(name, row.grade, FinishedRenders.range(row), row.state == RenderRow.State.DONE))).toList());
    }

    private static RenderRow row(ProjectRow project, RenderName name, RenderRange range, How how, Asker who) {
        RenderRow row = new RenderRow();
        row.projectId = project.id;
        row.version = name.version();
        row.name = name.toString();
        row.grade = how.grade();
        row.state = RenderRow.State.WAITING;
        row.width = how.width();
        row.height = how.height();
        row.burnIn = how.burnIn();
        row.blur = how.blur();
        row.fromPosition = range.from();
        row.speed = range.speed();
        row.frames = range.frames();
        row.bends = range.bends().isEmpty() ? Bends.NONE : new Bends(range.bends());
        row.who = who.name();
        row.requestedAt = Instant.now();
        return row;
    }
}
