/**
 * What edits do to a camera: each takes one and gives another back, and knows no table and no window. Read
 * {@link freshsplice.core.camera.edit.SetValues} first.
 */
package freshsplice.core.camera.edit;
