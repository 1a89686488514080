package freshsplice.core.stage;

import freshsplice.core.refusal.Refusal;
import java.util.Locale;

/** What of an item can be keyed, on the scene's action clock. */
public enum ItemChannel {
    /** Place, metres. */
    X(0), Y(0), Z(0),
    /** Turned to the left about the upright, degrees. */
    TURN(0),
    /** Leant to its own left, degrees. */
    LEAN(0),
    /** 1 there, 0 away. */
    SHOWN(1);

    private final double plain;

    ItemChannel(double plain) {
        this.plain = plain;
    }

    /** Whether it is an angle in degrees. */
    public boolean isAngle() {
        return this == TURN;
    }

    public double plain() {
        return plain;
    }

    /** @throws IllegalArgumentException if the value is outside what the channel can be */
    public double check(double value) {
        boolean fits = this == SHOWN ? value == 0 || value == 1 : Math.abs(value) <= 100_000;
        if (!fits) {
            throw new Refusal("The " + word() + " of an item cannot be " + value);
        }
        return value;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
