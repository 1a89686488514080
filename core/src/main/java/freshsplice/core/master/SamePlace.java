package freshsplice.core.master;

import freshsplice.core.time.Rational;
import java.util.List;
import java.util.OptionalLong;
import java.util.function.LongFunction;

/** Where something is to be found in a master: what another one shows, or a shot by itself. */
public final class SamePlace {
    private SamePlace() {
    }

    /**
     * The record frame of a master that means what one of another master means: the first that shows the same frame of
     * the same shot, nested masters opened; else the same record frame, where that lies in it; else its first.
     *
     * @param masters finds nested masters by id
     */
    public static long of(Master from, long frame, Master to, LongFunction<Master> masters) {
        LiveClips live = new LiveClips(masters);
        for (LiveClips.Live here : live.of(from)) {
            Clip clip = here.clip();
            if (clip.shotId() != 0 && clip.record().contains(frame)) {
                OptionalLong there = shown(live.of(to), clip.shotId(), clip.at(frame));
                if (there.isPresent()) {
                    return there.getAsLong();
                }
            }
        }
        return frame >= to.start() && frame < to.end() ? frame : to.start();
    }

    private static OptionalLong shown(List<LiveClips.Live> clips, long shotId, Rational position) {
        return clips.stream().map(LiveClips.Live::clip).filter(s -> s.shotId() == shotId)
                .map(s -> MarkerPosition.recordOf(s, position)).filter(OptionalLong::isPresent).mapToLong(OptionalLong::getAsLong)
                .findFirst();
    }

    /** First record frame of the next clip of a shot after a frame, from the first one on again; empty where it is not seen. */
    public static OptionalLong ofShot(Master master, long shotId, long frame, LongFunction<Master> masters) {
        List<Long> places = new LiveClips(masters).of(master).stream().map(LiveClips.Live::clip)
                .filter(s -> s.shotId() == shotId).map(s -> s.record().in()).toList();
        return places.stream().filter(in -> in > frame).findFirst().or(() -> places.stream().findFirst())
                .map(OptionalLong::of).orElseGet(OptionalLong::empty);
    }
}
