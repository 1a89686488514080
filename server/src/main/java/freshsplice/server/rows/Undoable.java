package freshsplice.server.rows;

/** A row whose changes are noted in the step that makes them, and taken back with it. */
public interface Undoable {
}
