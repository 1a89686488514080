package freshsplice.server.renders;

import java.lang.reflect.Field;

/** Lets the queue of a running application find no memory for one render. */
public final class WithoutMemory {
    private WithoutMemory() {
    }

    /** The next render that is begun ends as one does for which there is no memory; those after it are drawn. */
    public static void once(RenderQueue queue) throws ReflectiveOperationException {
        Field reader = RenderQueue.class.getDeclaredField("reader");
        reader.setAccessible(true);
        Object real = reader.get(queue);
        reader.set(queue, new DrawingReader(null, null, null, null, null, null, null, null) {
            @Override
            public Drawing read(long renderId) {
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
