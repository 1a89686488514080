package freshsplice.server.projects;

import freshsplice.core.camera.FilmBack;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.ProjectRow;

/** Projects as they begin. */
public final class NewProjects {
    private NewProjects() {
    }

    /** A project with the usual rules. */
    public static ProjectRow plain(String name) {
        ProjectRow project = new ProjectRow();
        project.name = name;
        project.rate = FrameRate.FPS_24;
        project.prefix = ShotNumbering.DEFAULT.prefix();
        project.numberStep = ShotNumbering.DEFAULT.step();
        project.digits = ShotNumbering.DEFAULT.digits();
        project.firstFrame = ShotNumbering.DEFAULT.firstFrame();
        project.handles = 8;
        project.pictureWidth = 1280;
        project.pictureHeight = 720;
        project.backWidth = FilmBack.SUPER_35.widthMm();
        project.backHeight = FilmBack.SUPER_35.heightMm();
        return project;
    }
}
