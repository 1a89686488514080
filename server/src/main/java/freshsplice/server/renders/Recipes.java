package freshsplice.server.renders;

import com.fasterxml.jackson.annotation.JsonInclude;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.PictureSize;
import freshsplice.core.render.Aid;
import freshsplice.core.render.BurnIn;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.OutputKind;
import freshsplice.core.render.Recipe;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.RecipeRow;
import freshsplice.server.rows.RecipeTextRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Recipes as rows keep them. */
@Component
public class Recipes {
    /** What a render of before there were recipes had burnt in. */
    private static final List<BurnIn> NAMED = List.of(new BurnIn(BurnIn.Field.NAME, BurnIn.Corner.BOTTOM_LEFT),
            new BurnIn(BurnIn.Field.FRAME, BurnIn.Corner.BOTTOM_RIGHT), new BurnIn(BurnIn.Field.TIMECODE, BurnIn.Corner.BOTTOM_RIGHT));

    private final JsonMapper json;
    private final Store store;

    /** What came later is written where it is used alone: a recipe of before stays the same to the letter, and with it what is current. */
    interface Later {
        @JsonInclude(JsonInclude.Include.NON_EMPTY)
        List<Aid> aids();
    }

    Recipes(JsonMapper json, Store store) {
        this.json = json.rebuild().addMixIn(FrameLook.class, Later.class).build();
        this.store = store;
    }

    /** The id that renders name a recipe by. Within the caller's transaction, in which nobody else asks for renders of the project. */
    long textId(Recipe recipe) {
        String settings = text(recipe);
        String digest = Fingerprint.digest(settings);
        return store.where(RecipeTextRow.class, "digest", digest).stream().findFirst().orElseGet(() -> {
            RecipeTextRow row = new RecipeTextRow();
            row.digest = digest;
            row.settings = settings;
            return store.add(row);
        }).id;
    }

    public String text(Recipe recipe) {
        return json.writeValueAsString(recipe);
    }

    public Recipe read(String text) {
        return json.readValue(text, Recipe.class);
    }

    /** The recipe that a render was asked for with. */
    public Recipe of(RenderRow row) {
        return row.recipeTextId == null ? plain(row.width, row.height, row.burnIn, row.blur)
                : read(store.get(RecipeTextRow.class, row.recipeTextId).settings);
    }

    /** The digest of a project's recipe of some name as it is now, also of one that all begin with; null where there is none of that name. */
    String digestOf(long projectId, String name) {
        List<RecipeRow> kept = store.where(RecipeRow.class, "projectId", projectId);
        Recipe own = kept.isEmpty() ? first(projectId).get(name)
                : kept.stream().filter(r -> r.name.equals(name)).findFirst().map(r -> read(r.settings)).orElse(null);
        return own == null ? null : digest(own);
    }

    /** Those that every project begins with, by name, in their order. */
    Map<String, Recipe> first(long projectId) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        return Recipe.usual(new PictureSize(project.pictureWidth, project.pictureHeight));
    }

    String digest(Recipe recipe) {
        return Fingerprint.digest(text(recipe));
    }

    /** One H.264 movie, drawn as the cameras see it. */
    public static Recipe plain(int width, int height, boolean burnIn, boolean blur) {
        Recipe recipe = Recipe.of(new FrameLook(width, height, 100, FrameLook.Edges.QUICK, 0, 8, blur, 0), burnIn ? NAMED : List.of(),
                OutputKind.H264);
        return new Recipe(recipe.look(), recipe.burnIn(), "", null, true, Recipe.Unstaged.CAMERA, recipe.outputs(), Recipe.USUAL_MOVIE,
                Recipe.USUAL_RUN);
    }
}
