package freshsplice.server.renders;

import freshsplice.core.delivery.Filmed;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.Recipe;
import freshsplice.render.DrawingVersion;
import freshsplice.server.rows.RenderRow;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** What of a render's look comes from beside its camera and its set: boards that it shows, its recipe, the shading itself. */
@Component
class LookParts {
    private static final String BOARDS = "boards";
    private static final String RECIPE = "recipe";
    private static final String SHADING = "shading";

    private final RenderBoards boards;
    private final Recipes recipes;

    LookParts(RenderBoards boards, Recipes recipes) {
        this.boards = boards;
        this.recipes = recipes;
    }

    /** The parts of a render that is made now, with those that are known. @param found the boards that it shows, {@code NONE} where it shows none */
    Fingerprint made(RenderRow render, Recipe recipe, RenderBoards.Found found, Fingerprint known) {
        Map<String, String> parts = new HashMap<>(known.parts());
        parts.put(SHADING, DrawingVersion.ofPictures());
        if (found != RenderBoards.Found.NONE) {
            parts.put(BOARDS, found.digest());
        }
        // one that was changed and not kept is nobody's recipe
        String named = render.recipeName == null ? null : recipes.digestOf(render.projectId, render.recipeName);
        if (named != null && named.equals(recipes.digest(recipe))) {
            parts.put(RECIPE, named);
        }
        return new Fingerprint(parts);
    }

    /**
     * The same parts as they are now.
     *
     * @param asked  those that the render has: no other is worked out
     * @param filmed the shots that it shows
     */
    Map<String, String> now(RenderRow render, Set<String> asked, Map<Long, Filmed> filmed, Map<String, String> named) {
        Map<String, String> parts = new HashMap<>();
        if (asked.contains(SHADING)) {
            parts.put(SHADING, DrawingVersion.ofPictures());
        }
        if (asked.contains(BOARDS)) {
            parts.put(BOARDS, boards.of(filmed).digest());
        }
        if (asked.contains(RECIPE)) {
            String now = named.computeIfAbsent(render.recipeName, name -> String.valueOf(recipes.digestOf(render.projectId, name)));
            parts.put(RECIPE, now);
        }
        return parts;
    }
}
