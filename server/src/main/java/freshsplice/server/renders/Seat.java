package freshsplice.server.renders;

import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import java.io.IOException;

/** Something that draws chunks, one at a time: this machine, or another. */
public interface Seat {
    /** The program's own. */
    String OWN = "this machine";

    /** A stretch of a render's frames. @param renderName for people */
    record Chunk(long renderId, String renderName, JobFile.Contents job, OrderFile.Orders orders) {
        public long first() {
            return orders.first();
        }

        public int frames() {
            return orders.frames().size();
        }
    }

    /** Asked and told while a chunk is drawn. */
    interface Watch {
        /** Whether the render is still wanted. */
        boolean goesOn();

        /** A frame is being drawn, or came in. */
        void drawn();
    }

    /** For people: no two open ones have the same. */
    String name();

    /** In the queue's tables, at most 50 letters: its own for good, so that one that comes back is never taken for who it was. */
    default String queueName() {
        return name();
    }

    /** What draws here: frames of two that have the same are alike to the bit. @throws freshsplice.render.CannotDraw if nothing does */
    String driver() throws IOException;

    /**
     * Draws the frames of a chunk that are not there yet.
     *
     * @return whether all are there; false where it was not to go on
     * @throws SeatLost    if nothing is heard of it any more
     * @throws IOException if they cannot be drawn; says why
     */
    boolean draw(Chunk chunk, Watch watch) throws IOException;
}
