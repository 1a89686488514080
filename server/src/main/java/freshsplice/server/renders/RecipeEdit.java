package freshsplice.server.renders;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonSubTypes.Type;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.render.Recipe;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** One edit of a project's recipes, which are known by their names. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @Type(value = RecipeEdit.KeepRecipe.class, name = "KEEP_RECIPE"),
    @Type(value = RecipeEdit.RenameRecipe.class, name = "RENAME_RECIPE"),
    @Type(value = RecipeEdit.RemoveRecipe.class, name = "REMOVE_RECIPE"),
    @Type(value = RecipeEdit.MakeRecipeUsual.class, name = "MAKE_RECIPE_USUAL"),
})
public sealed interface RecipeEdit {
    int LONGEST_NAME = 60;

    @NotBlank(message = "A recipe needs a name")
    @Size(max = LONGEST_NAME)
    String name();

    /** Keeps settings under a name, a new one or one that is there. */
    record KeepRecipe(String name, @NotNull(message = "is needed for this edit") Recipe recipe) implements RecipeEdit {
    }

    record RenameRecipe(String name, @NotBlank(message = "A recipe needs a name") @Size(max = LONGEST_NAME) String to) implements RecipeEdit {
    }

    record RemoveRecipe(String name) implements RecipeEdit {
    }

    record MakeRecipeUsual(String name) implements RecipeEdit {
    }
}
