package freshsplice.server.rows;

import freshsplice.core.motion.Easing;
import jakarta.persistence.MappedSuperclass;

/** A key, whatever it is of. */
@MappedSuperclass
public abstract class KeyRow extends AliveRow {
    public long frame;
    public double value;
    public Easing easing;
}
