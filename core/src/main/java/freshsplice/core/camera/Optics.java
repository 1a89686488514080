package freshsplice.core.camera;

/** Thin-lens formulas of the textbooks of photography. */
public final class Optics {
    private Optics() {
    }

    /**
     * Angle of view, 2·atan(size / 2f).
     *
     * @param sizeMm side of the film back
     * @param lensMm focal length
     * @return degrees
     */
    public static double angleOfView(double sizeMm, double lensMm) {
        return Math.toDegrees(2 * Math.atan(sizeMm / (2 * lensMm)));
    }

    /** The focal length that sees {@code degrees} on a side of the film back, in mm. */
    public static double lensFor(double sizeMm, double degrees) {
        return sizeMm / (2 * Math.tan(Math.toRadians(degrees) / 2));
    }

    /**
     * Hyperfocal distance, f²/(N·c) + f.
     *
     * @return metres
     */
    public static double hyperfocal(double lensMm, double stop, double circleMm) {
        return (lensMm * lensMm / (stop * circleMm) + lensMm) / 1000;
    }

    /** Near limit of what is sharp, s(H−f)/(H+s−2f), in metres. */
    public static double near(double lensMm, double stop, double circleMm, double focusM) {
        double h = hyperfocal(lensMm, stop, circleMm);
        double f = lensMm / 1000;
        return focusM * (h - f) / (h + focusM - 2 * f);
    }

    /** Far limit of what is sharp, s(H−f)/(H−s), in metres; infinite from the hyperfocal distance on. */
    public static double far(double lensMm, double stop, double circleMm, double focusM) {
        double h = hyperfocal(lensMm, stop, circleMm);
        return focusM >= h ? Double.POSITIVE_INFINITY : focusM * (h - lensMm / 1000) / (h - focusM);
    }

    /**
     * Circle that a point draws on the film back, (f/N)·|d − s|/d·f/(s − f).
     *
     * @param distanceM of the point along the line of sight
     * @return diameter in mm
     */
    public static double circle(double lensMm, double stop, double focusM, double distanceM) {
        return farCircle(lensMm, stop, focusM) * Math.abs(distanceM - focusM) / distanceM;
    }

    /** Circle that a point without end away draws, f²/(N·(s − f)): the scale of all others. Diameter in mm. */
    public static double farCircle(double lensMm, double stop, double focusM) {
        // focused nearer than its own length a lens draws no picture: what is nearer still is as there
        return lensMm * lensMm / (stop * Math.max(focusM * 1000 - lensMm, lensMm));
    }
}
