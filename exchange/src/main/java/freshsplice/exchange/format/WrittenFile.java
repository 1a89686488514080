package freshsplice.exchange.format;

import freshsplice.core.cut.Remark;
import java.util.List;
import java.util.Map;

/**
 * A written file.
 *
 * @param bytes   its contents
 * @param remarks what the format could not carry
 * @param reels   shortened reel name by full name, where names were shortened; in order of appearance
 */
public record WrittenFile(byte[] bytes, List<Remark> remarks, Map<String, String> reels) {
}
