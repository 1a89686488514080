package freshsplice.core.delivery;

import java.util.Comparator;

/**
 * A finished render of a shot.
 *
 * @param id      its id in the project
 * @param shotId  the shot
 * @param name    its name
 * @param grade   what it is good for
 * @param file    name of its movie's file
 * @param range   what of the shot it shows
 * @param handles how many frames at either end of it are to spare
 */
public record FinishedRender(long id, long shotId, RenderName name, Grade grade, String file, RenderRange range, int handles) {
    /** The newest version first; of one version the final before the draft. */
    public static final Comparator<FinishedRender> BEST_FIRST = Comparator.comparingInt((FinishedRender r) -> r.name.version())
            .thenComparing(FinishedRender::grade).thenComparingLong(FinishedRender::id).reversed();
}
