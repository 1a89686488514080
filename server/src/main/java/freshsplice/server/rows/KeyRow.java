package freshsplice.server.rows;

import freshsplice.core.motion.Easing;
import freshsplice.core.motion.Key;
import freshsplice.core.motion.Way;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.MappedSuperclass;

/** A key, whatever it is of. */
@MappedSuperclass
public abstract class KeyRow extends AliveRow {
    public long frame;
    public double value;
    /** How it is left. */
    public Easing easing;
    /** How it is reached; null for as the key before it is left. */
    public Easing arriving;
    @Enumerated(EnumType.STRING)
    public Way way = Way.SHORT;

    public Key key() {
        return new Key(frame, value, easing, arriving, way);
    }

    public void set(Key key) {
        frame = key.frame();
        value = key.value();
        easing = key.leaving();
        arriving = key.arriving();
        way = key.way();
    }
}
