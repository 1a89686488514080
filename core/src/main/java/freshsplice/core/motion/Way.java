package freshsplice.core.motion;

/** Which way round an angle goes to the next key. Several turns are keyed as such: 0 and 720. */
public enum Way {
    /** From 170° to −170° it is 20° on. */
    SHORT,
    /** From 170° to −170° it is 340° back. */
    LONG;

    private static final double TURN = 360;

    /** The way by which a key goes exactly as far as a difference says, in degrees. */
    public static Way keeping(double difference) {
        return Math.abs(difference) > TURN / 2 ? LONG : SHORT;
    }

    /** @param difference from key to key in degrees; a whole turn and more was meant; @return the difference that is gone */
    public double of(double difference) {
        double size = Math.abs(difference);
        if (size >= TURN || difference == 0) {
            return difference;
        }
        double other = difference - Math.signum(difference) * TURN;
        boolean isShort = size <= TURN / 2;
        return isShort == (this == SHORT) ? difference : other;
    }
}
