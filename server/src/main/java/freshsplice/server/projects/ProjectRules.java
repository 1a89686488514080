package freshsplice.server.projects;

import freshsplice.core.conform.ShotNumbering;
import freshsplice.server.rows.ProjectRow;

/** A project's rules, as the core takes them. */
public final class ProjectRules {
    private ProjectRules() {
    }

    public static ShotNumbering numbering(ProjectRow project) {
        return new ShotNumbering(project.prefix, project.numberStep, project.digits, project.firstFrame);
    }
}
