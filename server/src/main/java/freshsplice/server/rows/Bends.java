package freshsplice.server.rows;

import freshsplice.core.master.Bend;
import java.util.List;

/** Keys of a changing speed, as one value of a row. */
public record Bends(List<Bend> keys) {
    public static final Bends NONE = new Bends(List.of());

    @Override
    public String toString() {
        return Bend.text(keys);
    }
}
