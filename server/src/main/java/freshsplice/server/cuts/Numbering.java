package freshsplice.server.cuts;

import freshsplice.core.conform.CodePattern;
import freshsplice.core.conform.ShotNumbering;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.ProjectRow;
import io.swagger.v3.oas.annotations.media.Schema;

/**
 * How a project numbers its shots.
 *
 * @param handles     frames that a shot has before and after its cut range
 * @param codePattern finds codes in clip names; null to number all shots
 * @param scenePattern finds scenes in clip names; null for one scene
 */
public record Numbering(String prefix, int step, int digits, int firstFrame, int handles,
                        @Schema(nullable = true) String codePattern, @Schema(nullable = true) String scenePattern) {
    private static final int MOST_HANDLES = 1000;

    public static Numbering of(ProjectRow project) {
        return new Numbering(project.prefix, project.numberStep, project.digits, project.firstFrame, project.handles,
                project.codePattern, project.scenePattern);
    }

    /** @throws freshsplice.core.refusal.Refusal where a number is out of its range, in a sentence */
    ShotNumbering numbering() {
        return new ShotNumbering(prefix == null ? "" : prefix, step, digits, firstFrame);
    }

    String pattern() {
        return codePattern == null || codePattern.isBlank() ? null : codePattern.strip();
    }

    String scenes() {
        return scenePattern == null || scenePattern.isBlank() ? null : scenePattern.strip();
    }

    /** @throws freshsplice.core.refusal.Refusal where a number or a pattern is out of its range, in a sentence */
    void check() {
        numbering();
        if (handles < 0 || handles > MOST_HANDLES) {
            throw new Refused("Handles are 0 to " + MOST_HANDLES + " frames");
        }
        if (pattern() != null) {
            CodePattern.of(pattern());
        }
        if (scenes() != null) {
            CodePattern.of(scenes());
        }
    }
}
