package freshsplice.core.render;

import freshsplice.core.stage.Stage;
import java.util.List;

/** A set as a recipe shows it. @param aids those that stand in it */
public record ShownSet(Stage stage, List<Aid> aids) {
    public ShownSet {
        aids = aids.stream().filter(Aid::isInSet).toList();
    }

    /** Tells it from any that looks otherwise. */
    public String key() {
        return DrawnSet.key(stage, SetLines.of(stage, aids));
    }

    public DrawnSet drawn() {
        return DrawnSet.of(stage, SetLines.of(stage, aids));
    }
}
