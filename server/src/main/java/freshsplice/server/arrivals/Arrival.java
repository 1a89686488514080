package freshsplice.server.arrivals;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * What became of dropped files.
 *
 * @param cutId   the cut among them; null where there was none
 * @param media   names of pictures and sounds that were kept
 * @param listed  files that lists of checksums know
 * @param found   boards and sounds that were missing and are there now
 * @param refused a sentence for each file that could not be taken
 */
public record Arrival(@Schema(nullable = true) Long cutId, List<String> media, int listed, int found,
                      List<String> refused) {
}
