package freshsplice.core.stage;

import freshsplice.core.refusal.Refusal;

/** A colour, sRGB, each part 0 to 1. */
public record Colour(double red, double green, double blue) {
    /**
     * @param hex {@code #rrggbb}
     * @throws IllegalArgumentException if it is not
     */
    public static Colour of(String hex) {
        if (!hex.matches("#[0-9a-fA-F]{6}")) {
            throw new Refusal("A colour is written #rrggbb, not \"" + hex + "\"");
        }
        int value = Integer.parseInt(hex.substring(1), 16);
        return new Colour((value >> 16) / 255.0, (value >> 8 & 255) / 255.0, (value & 255) / 255.0);
    }

    public Colour darker(double factor) {
        return new Colour(red * factor, green * factor, blue * factor);
    }
}
