package freshsplice.server.steps;

/**
 * An edit of a project is kept: whoever reads from now on finds it.
 *
 * @param edit the project's number of edits with it
 */
public record EditMade(long projectId, long edit) {
}
