package freshsplice.server.renders;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.render.FilmedMovie;

/**
 * Everything that one render is drawn from, read at its start, so that edits made meanwhile do not mix in.
 *
 * @param fingerprint of all of it
 */
record Drawing(FilmedMovie movie, Fingerprint fingerprint) {
}
