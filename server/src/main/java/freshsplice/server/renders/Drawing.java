package freshsplice.server.renders;

import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.FrameOrders;
import freshsplice.render.JobFile;

/**
 * Everything that one render is drawn from, read at its start, so that edits made meanwhile do not mix in.
 *
 * @param kept        what is kept of it beside its frames
 * @param orders      works out what each frame is drawn from
 * @param fingerprint of all of it
 */
record Drawing(JobFile.Contents kept, FrameOrders orders, Fingerprint fingerprint) {
}
