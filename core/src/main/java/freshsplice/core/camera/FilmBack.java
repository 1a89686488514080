package freshsplice.core.camera;

import freshsplice.core.refusal.Refusal;
import java.util.List;

/**
 * The area that the lens draws on.
 *
 * @param widthMm  millimetres
 * @param heightMm millimetres
 */
public record FilmBack(double widthMm, double heightMm) {
    /** 35 mm photography. */
    public static final FilmBack FULL_FRAME = new FilmBack(36, 24);
    /** Four perforations, Super 35 (common practice). */
    public static final FilmBack SUPER_35 = new FilmBack(24.89, 18.66);
    /** Academy (common practice). */
    public static final FilmBack ACADEMY = new FilmBack(21.95, 16.00);

    /** A back with the name that it goes by. */
    public record Preset(String name, FilmBack back) {
    }

    /** The common ones (common practice; 35 mm and Super 35 as above). */
    public static final List<Preset> COMMON = List.of(new Preset("Full frame", FULL_FRAME), new Preset("Super 35", SUPER_35),
            new Preset("Academy", ACADEMY), new Preset("Super 16", new FilmBack(12.52, 7.41)), new Preset("65 mm", new FilmBack(52.48, 23.01)));

    public FilmBack {
        if (!(widthMm > 0.5 && widthMm < 500 && heightMm > 0.5 && heightMm < 500)) {
            throw new Refusal("A film back is between 0.5 and 500 mm: " + widthMm + " x " + heightMm);
        }
    }

    /**
     * Largest circle that still looks sharp, in mm: 0.030 for full frame, 0.025 for Super 35 (common practice); other
     * backs in proportion to their width, between the two.
     */
    public double circleOfConfusionMm() {
        return 0.025 + (0.030 - 0.025) * (widthMm - SUPER_35.widthMm) / (FULL_FRAME.widthMm - SUPER_35.widthMm);
    }
}
