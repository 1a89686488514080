package freshsplice.render;

import freshsplice.core.render.Output;
import freshsplice.core.render.RenderJob;
import java.util.List;

/**
 * What is written.
 *
 * @param job     the render
 * @param outputs which of its recipe's files
 * @param sound   what is heard in movies
 */
public record OutputOrder(RenderJob job, List<Output> outputs, List<MovieSound> sound) {
}
