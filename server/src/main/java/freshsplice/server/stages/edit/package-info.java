/**
 * Every edit of a camera and of a set as a type of its own: what it needs, what it is called, and which of the core's edits it is.
 * A new one is a record in the group that it belongs to, and a line in {@link freshsplice.server.stages.edit.CameraEdit} or
 * {@link freshsplice.server.stages.edit.SetEdit}.
 */
package freshsplice.server.stages.edit;
