package freshsplice.core.stage;

import java.util.List;

/**
 * The set of one scene.
 *
 * @param items in the order they were put there
 */
public record Stage(List<Item> items) {
    public Stage {
        items = List.copyOf(items);
    }
}
