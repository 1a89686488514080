package freshsplice.server.renders;

import freshsplice.core.delivery.Grade;
import freshsplice.core.render.DrawingTimes;
import freshsplice.core.render.Recipe;
import freshsplice.core.render.Sizes;
import freshsplice.server.rows.RenderOutputRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.Store;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    /** The finished renders that are learnt from. */
    List<RenderRow> newest() {
        return store.entities().createQuery("select r from RenderRow r where r.state = 'DONE' order by r.finishedAt desc", RenderRow.class)
                .setMaxResults(LEARNT_FROM).getResultList();
    }

    /** Bytes that files take. */
    Sizes sizes(List<RenderRow> newest) {
        Map<Long, RenderRow> byId = newest.stream().collect(Collectors.toMap(r -> r.id, Function.identity()));
        return new Sizes(store.whereIn(RenderOutputRow.class, "renderId", List.copyOf(byId.keySet())).stream().map(o -> {
            RenderRow row = byId.get(o.renderId);
            return new Sizes.Sample(o.kind, row.frames * row.width * row.height, o.bytes);
        }).toList());
    }

    /** Seconds that renders take together, by those that were blurred alike; empty where there are none. @param frames of all of them */
    Optional<Sizes.Range> seconds(List<RenderRow> newest, Recipe recipe, int renders, long frames) {
        List<DrawingTimes.Sample> seen = newest.stream().filter(r -> r.startedAt != null && r.finishedAt != null && r.grade != Grade.TRIAL && !r.joined
                && r.mediaId == null && r.blur == recipe.look().blur()).map(this::seen).toList();
        return new DrawingTimes(seen).of(renders, pixels(recipe), moments(recipe, frames));
    }

    private DrawingTimes.Sample seen(RenderRow row) {
        Recipe recipe = recipes.of(row);
        return new DrawingTimes.Sample(seconds(row.startedAt), seconds(row.finishedAt), pixels(recipe), moments(recipe, row.frames));
    }

    private static double seconds(Instant at) {
        return at.toEpochMilli() / 1e3;
    }

    private static double pixels(Recipe recipe) {
        return (double) recipe.look().drawnWidth() * recipe.look().drawnHeight();
    }

    private static double moments(Recipe recipe, long frames) {
        return (double) frames * (recipe.look().shutter() > 0 ? recipe.look().samples() : 1);
    }
}
