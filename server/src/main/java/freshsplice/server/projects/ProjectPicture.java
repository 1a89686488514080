package freshsplice.server.projects;

import freshsplice.core.camera.FilmBack;
import freshsplice.core.camera.Kit;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.time.Rational;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import org.springframework.stereotype.Service;

/** The size and shape of a project's picture, the film back of its new cameras, and its kits. */
@Service
public class ProjectPicture {
    /**
     * What is wanted; null leaves that as it is.
     *
     * @param height pixels; null with a shape to find it
     * @param handles frames beyond the cut at each end of new shots; those that are there keep theirs
     * @param shape  width over height, such as 1.9 or 16/9
     */
    public record PictureFormat(@NotNull Integer width, @Schema(nullable = true) Integer height, @Schema(nullable = true) String shape,
                         @Schema(nullable = true) Double backWidth, @Schema(nullable = true) Double backHeight,
                         @Schema(nullable = true) String lensKit, @Schema(nullable = true) String stopKit,
                         @Schema(nullable = true) @Min(0) @Max(1000) Integer handles) {
        PictureSize size(ProjectRow project) {
            return shape != null && !shape.isBlank() ? PictureSize.of(width, Rational.parse(shape.strip()))
                    : new PictureSize(width, height == null ? project.pictureHeight : height);
        }
    }

    private final Store store;
    private final Steps steps;

    ProjectPicture(Store store, Steps steps) {
        this.store = store;
        this.steps = steps;
    }

    /** @return what was made of the shape, in words; empty where nothing had to be made */
    public String change(long projectId, PictureFormat wanted, Asker who) {
        return steps.make(projectId, "Change the project's picture", who, () -> {
            ProjectRow project = store.get(ProjectRow.class, projectId);
            PictureSize size = wanted.size(project);
            FilmBack back = new FilmBack(wanted.backWidth() == null ? project.backWidth : wanted.backWidth(),
                    wanted.backHeight() == null ? project.backHeight : wanted.backHeight());
            project.pictureWidth = size.width();
            project.pictureHeight = size.height();
            project.backWidth = back.widthMm();
            project.backHeight = back.heightMm();
            project.lensKit = wanted.lensKit() == null ? project.lensKit : Kit.parse(wanted.lensKit()).text();
            project.stopKit = wanted.stopKit() == null ? project.stopKit : Kit.parse(wanted.stopKit()).text();
            project.handles = wanted.handles() == null ? project.handles : wanted.handles();
            return wanted.shape() == null || wanted.shape().isBlank() ? ""
                    : PictureSize.words(wanted.width(), Rational.parse(wanted.shape().strip()));
        });
    }
}
