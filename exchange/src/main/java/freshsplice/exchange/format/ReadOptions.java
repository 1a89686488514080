package freshsplice.exchange.format;

import freshsplice.core.time.FrameRate;
import java.util.Optional;

/**
 * What the person who reads a file says about it.
 *
 * @param rate   the rate, where the file has none or is wrong; null to let the reader reason
 * @param limits bounds on hostile input
 */
public record ReadOptions(FrameRate rate, Limits limits) {
    public static final ReadOptions DEFAULT = new ReadOptions(null, Limits.DEFAULT);

    public static ReadOptions at(FrameRate rate) {
        return new ReadOptions(rate, Limits.DEFAULT);
    }

    public Optional<FrameRate> givenRate() {
        return Optional.ofNullable(rate);
    }
}
