package freshsplice.server.masters;

import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.master.Section.Passage;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.FrameRange;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.SectionRow;
import freshsplice.server.store.ShotRow;
import freshsplice.server.store.Store;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Masters and shots as rows and as the core's types. */
@Component
public class MasterStore {
    private final Store store;
    private final JdbcTemplate jdbc;

    MasterStore(Store store, JdbcTemplate jdbc) {
        this.store = store;
        this.jdbc = jdbc;
    }

    /** The project's master; empty before its first cut is received. */
    public Optional<MasterRow> of(long projectId) {
        return store.where(MasterRow.class, "projectId", projectId).stream().findFirst();
    }

    public Master read(MasterRow row) {
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        List<Section> sections = store.where(SectionRow.class, "masterId", row.id).stream()
                .map(MasterStore::section).toList();
        return new Master(row.id, row.name, project.rate, project.dropFrame, row.recStart,
                List.of(new Master.Lane("Shots", true, sections)));
    }

    private static Section section(SectionRow row) {
        return new Section(row.id, new Section.Content.OfShot(row.shotId), FrameRange.of(row.recIn, row.recOut),
                row.fromPosition, row.speed, row.enabled, passage(row.headKind, row.headBefore, row.headAfter),
                passage(row.tailKind, row.tailBefore, row.tailAfter));
    }

    private static Passage passage(Passage.Kind kind, long before, long after) {
        return kind == null ? null : new Passage(kind, before, after);
    }

    /** Every shot of a project by id, omitted ones too. */
    public Map<Long, ShotRow> shotRows(long projectId) {
        Map<Long, ShotRow> rows = new LinkedHashMap<>();
        store.where(ShotRow.class, "projectId", projectId).forEach(r -> rows.put(r.id, r));
        return rows;
    }

    public static Shot shot(ShotRow row) {
        return new Shot(row.id, row.code, FrameRange.of(row.cutIn, row.cutOut), row.handles, row.actionOffset,
                new Shot.Anchor(row.anchorKey, row.anchorName, row.anchorFrame, row.anchorSource, row.anchorSlope,
                        row.anchorStill));
    }

    public static Map<Long, Shot> shots(Map<Long, ShotRow> rows) {
        Map<Long, Shot> shots = new HashMap<>();
        rows.forEach((id, row) -> shots.put(id, shot(row)));
        return shots;
    }

    /** A shot is omitted while no piece of the master shows it; it is kept. */
    public static void markOmitted(Master master, Map<Long, ShotRow> shots) {
        Set<Long> shown = new HashSet<>();
        master.main().sections().forEach(s -> shown.add(s.shotId()));
        shots.forEach((id, row) -> row.omitted = !shown.contains(id));
    }

    /** Codes of all shots that were made, omitted ones too: none of them is given again. */
    public Set<String> codesInUse(long projectId) {
        return new HashSet<>(jdbc.queryForList("select code from shot where project_id = ? and alive = 1",
                String.class, projectId));
    }

    public void fill(ShotRow row, Shot shot) {
        row.code = shot.code();
        row.cutIn = shot.cutRange().in();
        row.cutOut = shot.cutRange().out();
        row.handles = shot.handles();
        row.actionOffset = shot.actionOffset();
        row.anchorKey = shortened(shot.anchor().key(), 1000);
        row.anchorName = shortened(shot.anchor().name(), 500);
        row.anchorFrame = shot.anchor().shotFrame();
        row.anchorSource = shot.anchor().source();
        row.anchorSlope = shot.anchor().slope();
        row.anchorStill = shot.anchor().still();
    }

    private static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    public SectionRow sectionRow(long masterId, Section section, long shotId) {
        SectionRow row = new SectionRow();
        row.masterId = masterId;
        row.shotId = shotId;
        fill(row, section);
        return row;
    }

    private static void fill(SectionRow row, Section section) {
        row.recIn = section.record().in();
        row.recOut = section.record().out();
        row.fromPosition = section.from();
        row.speed = section.speed();
        row.enabled = section.enabled();
        Passage head = section.head();
        Passage tail = section.tail();
        row.headKind = head == null ? null : head.kind();
        row.headBefore = head == null ? 0 : head.before();
        row.headAfter = head == null ? 0 : head.after();
        row.tailKind = tail == null ? null : tail.kind();
        row.tailBefore = tail == null ? 0 : tail.before();
        row.tailAfter = tail == null ? 0 : tail.after();
    }

    /** Writes the difference: sections that changed, went and came. */
    public void write(MasterRow row, Master before, Master after) {
        Map<Long, Section> old = new HashMap<>();
        before.main().sections().forEach(s -> old.put(s.id(), s));
        for (Section section : after.main().sections()) {
            Section was = old.remove(section.id());
            if (section.id() == 0) {
                store.add(sectionRow(row.id, section, section.shotId()));
            } else if (!section.equals(was)) {
                fill(store.get(SectionRow.class, section.id()), section);
            }
        }
        old.keySet().stream().filter(Objects::nonNull)
                .forEach(id -> store.remove(store.get(SectionRow.class, id)));
        row.recStart = after.start();
    }
}
