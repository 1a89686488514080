package freshsplice.core.render;

import freshsplice.core.delivery.Grade;
import freshsplice.core.delivery.RenderName;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;

/**
 * Names of a render's files, and the folder of its own that they lie in, so that old and new never mix.
 *
 * @param project the project's name
 * @param scene   the scene's; empty for a whole master
 * @param name    the render's
 * @param camera  the camera's; empty for a whole master
 * @param recipe  the recipe's
 */
public record FileNames(String project, String scene, RenderName name, Grade grade, String camera, String recipe) {
    /** Folders from the top down, one below the other. */
    public String folder() {
        String place = scene.isEmpty() ? "masters" : RenderName.fileSafe(scene);
        return RenderName.fileSafe(project) + "/" + place + "/" + grade.name().toLowerCase(Locale.ROOT) + "/"
                + new RenderName(RenderName.fileSafe(name.of()), name.version());
    }

    /** A movie's name, with its ending. */
    public String movie(Recipe recipe, OutputKind kind) {
        return NamePattern.movie(recipe.movieName()).fill(parts()) + "." + kind.ending();
    }

    /** A picture's name, with its ending. @param frame counted from 0 */
    public String picture(Recipe recipe, OutputKind kind, FrameNumbers.Run run, long frame) {
        Map<NamePattern.Part, String> parts = parts();
        parts.put(NamePattern.Part.FRAME, run.text(frame));
        return NamePattern.run(recipe.runName()).fill(parts) + "." + kind.ending();
    }

    private Map<NamePattern.Part, String> parts() {
        Map<NamePattern.Part, String> parts = new EnumMap<>(NamePattern.Part.class);
        parts.put(NamePattern.Part.PROJECT, project);
        parts.put(NamePattern.Part.SCENE, scene);
        parts.put(NamePattern.Part.SHOT, name.of());
        parts.put(NamePattern.Part.VERSION, String.format("v%03d", name.version()));
        parts.put(NamePattern.Part.GRADE, grade.name());
        parts.put(NamePattern.Part.CAMERA, camera);
        parts.put(NamePattern.Part.RECIPE, recipe);
        return parts;
    }
}
