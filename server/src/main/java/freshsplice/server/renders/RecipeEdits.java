package freshsplice.server.renders;

import freshsplice.core.render.Recipe;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.RecipeRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The recipes of a project, and edits of them, each as one step. */
@Service
public class RecipeEdits {
    /** @param usual whether it is the one that is used while none is chosen */
    public record NamedRecipe(String name, boolean usual, Recipe recipe) {
    }

    private final Store store;
    private final Steps steps;
    private final Recipes recipes;

    RecipeEdits(Store store, Steps steps, Recipes recipes) {
        this.store = store;
        this.steps = steps;
        this.recipes = recipes;
    }

    /** All of a project, in the order that they came. Until somebody keeps one they are those that every project begins with. */
    @Transactional(readOnly = true)
    public List<NamedRecipe> of(long projectId) {
        List<RecipeRow> rows = rows(projectId);
        return rows.isEmpty() ? first(projectId) : rows.stream().map(r -> new NamedRecipe(r.name, r.usual, recipes.read(r.settings))).toList();
    }

    private List<RecipeRow> rows(long projectId) {
        return store.where(RecipeRow.class, "projectId", projectId);
    }

    private List<NamedRecipe> first(long projectId) {
        List<NamedRecipe> named = new ArrayList<>();
        recipes.first(projectId).forEach((name, recipe) -> named.add(new NamedRecipe(name, named.isEmpty(), recipe)));
        return named;
    }

    public void make(long projectId, RecipeEdit edit, Asker who) {
        steps.make(projectId, words(edit), who, () -> {
            if (rows(projectId).isEmpty()) {
                first(projectId).forEach(n -> add(projectId, n.name(), n.usual(), n.recipe()));
            }
            apply(projectId, edit);
            return null;
        });
    }

    private static String words(RecipeEdit edit) {
        return edit instanceof RecipeEdit.KeepRecipe ? "Keep the recipe " + edit.name()
                : edit instanceof RecipeEdit.RemoveRecipe ? "Take away the recipe " + edit.name()
                : edit instanceof RecipeEdit.RenameRecipe rename ? "Call the recipe " + edit.name() + " " + rename.to()
                : "Use the recipe " + edit.name() + " first";
    }

    private void apply(long projectId, RecipeEdit edit) {
        List<RecipeRow> rows = rows(projectId);
        RecipeRow row = named(rows, edit.name());
        if (edit instanceof RecipeEdit.KeepRecipe keep) {
            if (row == null) {
                add(projectId, keep.name().strip(), false, keep.recipe());
            } else {
                row.settings = recipes.text(keep.recipe());
            }
            return;
        }
        if (row == null) {
            throw new Refused("There is no recipe " + edit.name() + " any more");
        }
        if (edit instanceof RecipeEdit.RenameRecipe rename) {
            RecipeRow other = named(rows, rename.to());
            if (other != null && other != row) {
                throw new Refused("There is a recipe " + rename.to() + " already");
            }
            row.name = rename.to().strip();
        } else if (edit instanceof RecipeEdit.RemoveRecipe) {
            if (rows.size() == 1) {
                throw new Refused("A project keeps one recipe at least");
            }
            store.remove(row);
            if (row.usual) {
                row.usual = false;
                rows.stream().filter(r -> r != row).findFirst().orElseThrow().usual = true;
            }
        } else {
            rows.forEach(r -> r.usual = r == row);
        }
    }

    private static RecipeRow named(List<RecipeRow> rows, String name) {
        return rows.stream().filter(r -> r.name.equalsIgnoreCase(name.strip())).findFirst().orElse(null);
    }

    private void add(long projectId, String name, boolean usual, Recipe recipe) {
        RecipeRow row = new RecipeRow();
        row.projectId = projectId;
        row.name = name;
        row.usual = usual;
        row.settings = recipes.text(recipe);
        store.add(row);
    }
}
