package freshsplice.server.http.masters;

import freshsplice.core.master.Transition;
import java.util.List;
import java.util.stream.LongStream;

/** The shares of a picture that passes in or out, frame by frame, as the window mixes them. */
final class Weights {
    private Weights() {
    }

    /** From the transition's first frame on. @param head null for a plain cut */
    static List<Double> in(Transition head) {
        return head == null ? List.of() : LongStream.range(0, head.length()).mapToObj(head::share).toList();
    }

    /** Up to the clip's last frame. @param tail the transition to black; null for none */
    static List<Double> out(Transition tail) {
        return tail == null ? List.of() : LongStream.range(0, tail.before()).mapToObj(k -> 1 - tail.share(k)).toList();
    }
}
