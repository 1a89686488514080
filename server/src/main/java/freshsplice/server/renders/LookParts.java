package freshsplice.server.renders;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.Aid;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.SetLines;
import freshsplice.core.stage.Stage;
import freshsplice.render.DrawingVersion;
import freshsplice.server.rows.RenderRow;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What of a render's look comes from beside its camera and its set: boards that it shows, its recipe, the shading itself. */
@Component
class LookParts {
    private static final String BOARDS = "boards";
    private static final String RECIPE = "recipe";
    private static final String SHADING = "shading";
    private static final String PATHS = "paths";

    /** What a render shows. @param withBoards shots whose boards it shows; @param sets that are drawn in it, some perhaps more than once */
    record Sight(Map<Long, FilmedShot> withBoards, Collection<Stage> sets) {
        static Sight of(FilmedShot shot) {
            return new Sight(Map.of(shot.shot().id(), shot), List.of(shot.stage()));
        }
    }

    /** By the set itself: one that was read again is asked anew. */
    private final Cache<Stage, String> paths = Caffeine.newBuilder().weakKeys().build();
    private final RenderBoards boards;
    private final Recipes recipes;

    LookParts(RenderBoards boards, Recipes recipes) {
        this.boards = boards;
        this.recipes = recipes;
    }

    /** The parts of a render that is made now, with those that are known. @param found the boards that it shows, {@code NONE} where it shows none */
    Fingerprint made(RenderRow render, Recipe recipe, RenderBoards.Boards found, Sight shown, Fingerprint known) {
        Map<String, String> parts = new HashMap<>(known.parts());
        parts.put(SHADING, DrawingVersion.ofPictures());
        if (found != RenderBoards.Boards.NONE) {
            parts.put(BOARDS, found.digest());
        }
        if (recipe.look().aids().contains(Aid.PATHS)) {
            parts.put(PATHS, paths(shown));
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
     * @param asked those that the render has: no other is worked out
     */
    Map<String, String> now(RenderRow render, Set<String> asked, Sight shown, Map<String, String> named) {
        Map<String, String> parts = new HashMap<>();
        if (asked.contains(SHADING)) {
            parts.put(SHADING, DrawingVersion.ofPictures());
        }
        if (asked.contains(BOARDS)) {
            parts.put(BOARDS, boards.of(shown.withBoards()).digest());
        }
        if (asked.contains(PATHS)) {
            parts.put(PATHS, paths(shown));
        }
        if (asked.contains(RECIPE)) {
            String now = named.computeIfAbsent(render.recipeName, name -> String.valueOf(recipes.digestOf(render.projectId, name)));
            parts.put(RECIPE, now);
        }
        return parts;
    }

    /** Ways are drawn over the whole action, and change with what moves outside a render's frames too. */
    private String paths(Sight shown) {
        return Fingerprint.digest(shown.sets().stream().map(s -> paths.get(s, of -> SetLines.of(of, List.of(Aid.PATHS)).digest())).distinct().sorted().collect(Collectors.joining()));
    }
}
