package freshsplice.server.cuts;

import freshsplice.core.conform.CodePattern;
import freshsplice.core.conform.Conform;
import freshsplice.core.conform.ConformChoices;
import freshsplice.core.conform.ConformPlan;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.cut.Cut;
import freshsplice.server.projects.ProjectRules;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.stores.cuts.CutStore;
import freshsplice.server.stores.masters.MasterStore;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Plans the shots of a cut by the project's rules and by what was chosen about it. */
@Component
public class Planning {
    private final CutStore cuts;
    private final MasterStore masters;

    Planning(CutStore cuts, MasterStore masters) {
        this.cuts = cuts;
        this.masters = masters;
    }

    public ConformPlan plan(ProjectRow project, CutRow row, Cut cut) {
        return Conform.plan(cut, choices(project, row, ProjectRules.numbering(project), project.codePattern, project.scenePattern));
    }

    /** The plan as it would be with other rules of numbering. */
    ConformPlan planned(ProjectRow project, CutRow row, Cut cut, Numbering wanted) {
        return Conform.plan(cut, choices(project, row, wanted.numbering(), wanted.pattern(), wanted.scenes()));
    }

    private ConformChoices choices(ProjectRow project, CutRow row, ShotNumbering numbering, String pattern, String scenes) {
        // a cut that was received shows the codes it was given then
        Set<String> used = row.state == CutRow.State.RECEIVED && row.version == 1 ? Set.of()
                : masters.codesInUse(project.id);
        return new ConformChoices(numbering, pattern == null ? null : CodePattern.of(pattern),
                scenes == null ? null : CodePattern.of(scenes),
                cuts.apart(row.id)::contains, cuts.fixes(row.id), cuts.cameras(row.id), used);
    }
}
