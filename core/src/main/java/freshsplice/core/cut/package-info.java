/**
 * A received edit in a form that knows no file format: tracks of events, transitions, markers, sound, and the
 * remarks made while reading it. Never changed once received. What is seen of it at each frame is computed by
 * {@link freshsplice.core.cut.LivePicture}. Read {@link freshsplice.core.cut.Cut} first.
 */
package freshsplice.core.cut;
