package freshsplice.exchange;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Lane;
import freshsplice.core.time.Rational;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;

/** Whether every time of a reading is small enough that all that is worked out from it stays exact. */
final class Countable {
    /** A hundred years at 30 frames/s, or a week of samples. */
    private static final long MOST_FRAMES = 100_000_000_000L;
    private static final long MOST_PARTS = 10_000_000L;

    private final Set<Cut> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    private Countable() {
    }

    /** @throws UnreadableFile if a time is past what can be counted exactly */
    static void check(InputFile file, Reading reading) {
        Countable countable = new Countable();
        for (Cut cut : reading.cuts()) {
            if (!countable.isCountable(cut)) {
                throw tooLarge(file);
            }
        }
    }

    static UnreadableFile tooLarge(InputFile file) {
        return new UnreadableFile(file.name() + " holds a time or a rate that is too large to be counted exactly; ask "
                + "for it to be written again");
    }

    private boolean isCountable(Cut cut) {
        if (!seen.add(cut)) {
            return true;
        }
        boolean fits = fits(cut.record().in()) && fits(cut.record().out());
        for (Lane lane : cut.lanes()) {
            for (Event event : lane.events()) {
                fits &= fits(event.record().in()) && fits(event.record().out()) && fits(event.from())
                        && fits(event.to()) && (event.nested() == null || isCountable(event.nested()));
            }
        }
        return fits;
    }

    private static boolean fits(long frame) {
        return Math.abs(frame) <= MOST_FRAMES;
    }

    private static boolean fits(Rational position) {
        return position.den() <= MOST_PARTS && fits(position.floor());
    }
}
