package freshsplice.server.rows;

import freshsplice.core.master.RetimeKey;
import java.util.List;

/** Keys of a changing speed, as one value of a row. */
public record RetimeKeys(List<RetimeKey> keys) {
    public static final RetimeKeys NONE = new RetimeKeys(List.of());

    @Override
    public String toString() {
        return RetimeKey.text(keys);
    }
}
