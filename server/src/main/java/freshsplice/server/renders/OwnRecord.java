package freshsplice.server.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.Sizes;
import freshsplice.server.rows.RenderOutputRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What finished renders took here, from which is told what others will take. Within the caller's transaction. */
@Component
class OwnRecord {
    /** Renders that are learnt from, the newest. */
    private static final int LEARNT_FROM = 60;

    private final Store store;
    private final Recipes recipes;

    OwnRecord(Store store, Recipes recipes) {
        this.store = store;
        this.recipes = recipes;
    }

    private List<RenderRow> newest() {
        return store.entities().createQuery("select r from RenderRow r where r.state = 'DONE' order by r.id desc", RenderRow.class)
                .setMaxResults(LEARNT_FROM).getResultList();
    }

    /** Bytes that files take. */
    Sizes sizes() {
        Map<Long, RenderRow> byId = newest().stream().collect(Collectors.toMap(r -> r.id, Function.identity()));
        return new Sizes(store.whereIn(RenderOutputRow.class, "renderId", List.copyOf(byId.keySet())).stream().map(o -> {
            RenderRow row = byId.get(o.renderId);
            return new Sizes.Seen(o.kind, row.frames * row.width * row.height, o.bytes);
        }).toList());
    }

    /** Seconds that frames take, by renders that were blurred alike; null where there are none. */
    Sizes.Range seconds(Recipe recipe, long frames) {
        List<Double> seen = newest().stream().filter(r -> r.startedAt != null && r.finishedAt != null && r.grade != Grade.TRIAL && !r.joined && r.mediaId == null
                        && r.blur == recipe.look().blur())
                .map(r -> Duration.between(r.startedAt, r.finishedAt).toMillis() / 1000.0 / pixels(recipes.of(r), r.frames)).filter(t -> t > 0).sorted().toList();
        if (seen.isEmpty()) {
            return null;
        }
        double pixels = pixels(recipe, frames);
        return new Sizes.Range(seen.get(seen.size() / 4) * pixels, seen.get(Math.min(seen.size() - 1, seen.size() * 3 / 4)) * pixels);
    }

    /** So many are drawn, with those of every moment where the shutter is open. */
    private static double pixels(Recipe recipe, long frames) {
        return (double) frames * recipe.look().drawnWidth() * recipe.look().drawnHeight() * (recipe.look().shutter() > 0 ? recipe.look().samples() : 1);
    }
}
