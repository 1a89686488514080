package freshsplice.server.renders;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Lane;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Asks for renders: each gets the next version of its own name, and no name is ever given twice. */
@Service
public class RenderRequests {
    private final Store store;
    private final MasterStore masters;

    RenderRequests(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    /**
     * @param shotIds shots, drawn one by one
     * @param master  whether to draw the whole master as one movie too
     * @param masterId which; null for the project's first
     * @param blur    whether what is out of focus is blurred
     */
    @Transactional
    public List<Long> ask(long projectId, List<Long> shotIds, boolean master, Long masterId, int width, int height, boolean burnIn,
                          boolean blur, Asker who) {
        ProjectRow project = store.entities().find(ProjectRow.class, projectId, LockModeType.PESSIMISTIC_WRITE);
        MasterRow masterRow = masters.asked(projectId, masterId).orElseThrow(() -> new Refused("There is nothing to render yet: receive a cut first"));
        if (width < 16 || height < 16 || width > PictureSize.LARGEST || height > PictureSize.LARGEST || width % 2 != 0 || height % 2 != 0) {
            throw new Refused("A movie's sides are even numbers of pixels from 16 to " + PictureSize.LARGEST + ", not " + width + " x "
                    + height);
        }
        Master sequence = masters.read(masterRow);
        Map<Long, ShotRow> shots = masters.shotRows(projectId);
        List<Long> ids = new ArrayList<>();
        for (Long shotId : shotIds) {
            ShotRow shot = shots.get(shotId);
            if (shot == null) {
                throw new Refused("One of the shots does not exist any more: choose again");
            }
            RenderRow row = row(project, shot.code, width, height, burnIn, blur, who);
            row.shotId = shotId;
            RenderRange range = range(sequence, shot);
            fill(row, range);
            ids.add(store.add(row).id);
        }
        if (master) {
            RenderRow row = row(project, RenderName.fileSafe(masterRow.name), width, height, burnIn, blur, who);
            row.masterId = masterRow.id;
            fill(row, new RenderRange(Rational.of(sequence.start()), Rational.ONE,
                    Math.max(1, sequence.end() - sequence.start())));
            ids.add(store.add(row).id);
        }
        return ids;
    }

    /** What the master shows of a shot, on any of its lanes; its whole cut range where it shows none. */
    private static RenderRange range(Master master, ShotRow shot) {
        for (Lane lane : master.lanes()) {
            List<Section> sections = lane.sections();
            for (int i = 0; i < sections.size(); i++) {
                if (sections.get(i).shotId() == shot.id) {
                    Section section = sections.get(i);
                    return RenderRange.of(section, section.seen(i + 1 < sections.size() ? sections.get(i + 1) : null));
                }
            }
        }
        return new RenderRange(Rational.of(shot.cutIn), Rational.ONE, shot.cutOut - shot.cutIn);
    }

    private static void fill(RenderRow row, RenderRange range) {
        row.fromPosition = range.from();
        row.speed = range.speed();
        row.frames = range.frames();
        row.bends = range.bends().isEmpty() ? Bends.NONE : new Bends(range.bends());
    }

    private RenderRow row(ProjectRow project, String of, int width, int height, boolean burnIn, boolean blur, Asker who) {
        int version = 1 + store.where(RenderRow.class, "projectId", project.id).stream()
                .filter(r -> RenderName.parse(r.name).filter(n -> n.of().equalsIgnoreCase(of)).isPresent())
                .mapToInt(r -> r.version).max().orElse(0);
        RenderRow row = new RenderRow();
        row.projectId = project.id;
        row.version = version;
        row.name = new RenderName(of, version).toString();
        row.state = RenderRow.State.WAITING;
        row.width = width;
        row.height = height;
        row.burnIn = burnIn;
        row.blur = blur;
        row.who = who.name();
        row.requestedAt = Instant.now();
        return row;
    }
}
