package freshsplice.server.shots;

import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.master.LiveClips;
import freshsplice.core.master.Master;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.ShotAliasRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Gives a master's shots new numbers in its order, before a cut was handed back. Old numbers stay known and are never
 * given again, so the new ones go on after the last that was used.
 */
@Service
public class Renumbering {
    /** One shot's old and new number. */
    public record Change(long shotId, String from, String to) {
    }

    /** How numbers are made; null leaves a rule as the project has it. */
    public record Rules(String prefix, Integer first, Integer step) {
        ShotNumbering over(ShotNumbering usual) {
            return new ShotNumbering(prefix == null || prefix.isBlank() ? usual.prefix() : prefix.strip(),
                    step == null ? usual.step() : step, usual.digits(), usual.firstFrame());
        }
    }

    private final Store store;
    private final MasterStore masters;
    private final Steps steps;

    Renumbering(Store store, MasterStore masters, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.steps = steps;
    }

    /**
     * What would become of the numbers.
     *
     * @throws Refused if a cut was handed back, from when on numbers stay
     */
    @Transactional(readOnly = true)
    public List<Change> plan(long masterId, Rules rules) {
        MasterRow row = store.get(MasterRow.class, masterId);
        ProjectRow project = store.get(ProjectRow.class, row.projectId);
        refuseOnceHandedBack(project);
        Master master = masters.read(row);
        Map<Long, ShotRow> shots = masters.shotRows(row.projectId);
        List<Long> inOrder = new LiveClips(masters.nested()).ofTrack(master, 0).stream()
                .map(l -> l.clip().shotId()).filter(id -> id != 0).distinct().toList();
        ShotNumbering numbering = rules.over(ProjectRules.numbering(project));
        List<String> codes = numbering.codes(inOrder.size(), masters.codesInUse(project.id),
                rules.first() == null ? 0 : rules.first());
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < inOrder.size(); i++) {
            changes.add(new Change(inOrder.get(i), shots.get(inOrder.get(i)).code, codes.get(i)));
        }
        return changes;
    }

    public void make(long masterId, Rules rules, Asker who) {
        MasterRow row = store.get(MasterRow.class, masterId);
        steps.make(row.projectId, "Number the shots of \"" + row.name + "\" anew", who, () -> {
            Map<Long, ShotRow> shots = masters.shotRows(row.projectId);
            for (Change change : plan(masterId, rules)) {
                ShotAliasRow alias = new ShotAliasRow();
                alias.projectId = row.projectId;
                alias.shotId = change.shotId();
                alias.code = change.from();
                store.add(alias);
                shots.get(change.shotId()).code = change.to();
            }
            return null;
        });
    }

    /** Asked inside the step: a hand-back may have been saved while this one waited for its turn. */
    private static void refuseOnceHandedBack(ProjectRow project) {
        if (project.handedBackAt != null) {
            throw new Refused("A cut of this project was handed back: the edit room knows the shots by their numbers, so "
                    + "they stay");
        }
    }
}
