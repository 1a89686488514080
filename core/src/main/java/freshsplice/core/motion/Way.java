package freshsplice.core.motion;

/** Which way round an angle goes to the next key. Several turns are keyed as such: 0 and 720. */
public enum Way {
    /** From 170° to −170° it is 20° on. */
    SHORT,
    /** From 170° to −170° it is 340° back. */
    LONG;

    private static final double TURN = 360;

    /** @param difference from key to key in degrees; a whole turn and more was meant; @return the difference that is gone */
    double of(double difference) {
        double size = Math.abs(difference);
        if (size >= TURN || difference == 0) {
            return difference;
        }
        double other = difference - Math.signum(difference) * TURN;
        boolean isShort = size <= TURN / 2;
        return isShort == (this == SHORT) ? difference : other;
    }
}
