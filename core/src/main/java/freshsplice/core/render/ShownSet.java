package freshsplice.core.render;

import freshsplice.core.stage.Stage;
import java.util.List;

/** A set as a recipe shows it. @param lines of the aids that stand in it */
public record ShownSet(Stage stage, SetLines lines) {
    /** @param aids of a recipe: those that stand in the set are shown */
    public static ShownSet of(Stage stage, List<Aid> aids) {
        return new ShownSet(stage, SetLines.of(stage, aids));
    }

    /** Tells it from any that looks otherwise. */
    public String key() {
        return DrawnSet.key(stage, lines);
    }

    public DrawnSet drawn() {
        return DrawnSet.of(stage, lines);
    }
}
