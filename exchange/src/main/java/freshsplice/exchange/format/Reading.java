package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import java.util.List;

/**
 * What a reader made of a file.
 *
 * @param format  the reader's format
 * @param cuts    at least one
 * @param remarks all that the cuts do not carry, or carry changed
 */
public record Reading(String format, List<Cut> cuts, List<Remark> remarks) {
}
