package freshsplice.core.stage;

import java.util.Locale;

/**
 * What an item looks like: plain solids, and figures one recognises. Every shape stands on its origin, looks along +x,
 * and is scaled to the item's size.
 */
public enum Shape {
    /** A block of width x, height y, depth z. */
    BLOCK,
    /** A block whose top is smaller than its foot: a bank, a rock, an island. */
    MOUND,
    CYLINDER, CONE,
    /** A post with marks at each half metre. */
    TIDE_POLE,
    LIGHTHOUSE,
    /** Two posts and a bar. */
    GATE,
    HOUSE, BOAT,
    BICYCLE,
    /** A standing person in a post office coat. */
    PERSON,
    /** A person on a bicycle, with a parcel on the rack. */
    CYCLIST,
    GULL,
    /** A point that no picture shows: to aim at, focus on and mount on. */
    HELPER;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
