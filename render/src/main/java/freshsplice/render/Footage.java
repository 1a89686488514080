package freshsplice.render;

import freshsplice.core.render.DrawnSet;
import java.io.IOException;

/** Finds what frames are drawn from by the keys that their orders name. */
public interface Footage {
    /** A set as it is drawn. */
    DrawnSet set(String key) throws IOException;

    /** A rendered movie, or a board. */
    Reel reel(String key) throws IOException;

    /** Of frames that show one set and nothing else. */
    static Footage of(DrawnSet set) {
        return new Footage() {
            @Override
            public DrawnSet set(String key) {
                return set;
            }

            @Override
            public Reel reel(String key) {
                throw new IllegalStateException("No movie and no board is shown");
            }
        };
    }
}
