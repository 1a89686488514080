package freshsplice.server.renders;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.core.render.Aid;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.Recipe;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class RecipesTest {
    private final Recipes recipes = new Recipes(JsonMapper.builder().build(), null);

    @Test
    void aRecipeWithoutAidsIsWrittenAsItWasBeforeThereWereAny() {
        Recipe plain = Recipes.plain(160, 90, false, false);
        assertThat(recipes.text(plain)).doesNotContain("aids");
        assertThat(recipes.read(recipes.text(plain))).isEqualTo(plain);
    }

    @Test
    void aidsAreKept() {
        Recipe with = Recipes.plain(160, 90, false, false).with(new FrameLook(160, 90, 100, FrameLook.Edges.QUICK, 0, 8, false, 0, List.of(Aid.PATHS)));
        assertThat(recipes.text(with)).contains("PATHS");
        assertThat(recipes.read(recipes.text(with))).isEqualTo(with);
    }
}
