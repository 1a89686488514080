package freshsplice.core.camera;

/**
 * What carries a camera from a frame on.
 *
 * @param from   shot frame; null for ever since
 * @param itemId the thing that carries it; null for none: it stands in the world
 */
public record Mount(Long from, Long itemId) {
    /** Its frame, the least there is where it is for ever. */
    long begins() {
        return from == null ? Long.MIN_VALUE : from;
    }
}
