package freshsplice.server.renders;

import java.lang.reflect.Field;
import java.util.function.LongPredicate;

/** Lets the queue of a running application find no memory for one render. */
public final class WithoutMemory {
    private WithoutMemory() {
    }

    /**
     * The next of some renders that is begun ends as one does for which there is no memory; those after it are drawn, and all others.
     *
     * @param some by their ids: other tests have renders drawn at the same time
     */
    public static void once(RenderQueue queue, LongPredicate some) throws ReflectiveOperationException {
        Field reader = RenderQueue.class.getDeclaredField("reader");
        reader.setAccessible(true);
        DrawingReader real = (DrawingReader) reader.get(queue);
        reader.set(queue, new DrawingReader(null, null, null, null, null, null, null, null) {
            @Override
            public Drawing read(long renderId) {
                if (!some.test(renderId)) {
                    return real.read(renderId);
                }
                try {
                    reader.set(queue, real);
                } catch (IllegalAccessException e) {
                    throw new IllegalStateException(e);
                }
                throw new OutOfMemoryError("Java heap space");
            }
        });
    }
}
