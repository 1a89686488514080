package freshsplice.server.renders;


/** Keys by which orders name rendered movies. */
final class MovieKeys {
    private static final String RENDER = "render ";

    private MovieKeys() {
    }

    static String of(long renderId) {
        return RENDER + renderId;
    }

    /** The render that a key is of. */
    static long renderOf(String key) {
        return Long.parseLong(key.substring(RENDER.length()));
    }
}
