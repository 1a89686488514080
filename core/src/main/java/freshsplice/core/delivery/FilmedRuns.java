package freshsplice.core.delivery;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * What a movie films: stretches in which one shot goes on from frame to frame, each at the exact positions that are drawn. Two movies
 * with equal digests show the same through the same cameras, whatever else their sets hold and their cameras do at other times.
 */
public final class FilmedRuns {
    /** One shot from frame to frame. @param after where the frame after its last one would be */
    private record Run(FilmedShot filmed, List<Rational> positions, Rational after) {
        boolean goesOnAt(FilmedShot other, Rational position) {
            return filmed == other && after.equals(position);
        }

        Run with(Rational position, Rational step) {
            positions.add(position);
            return new Run(filmed, positions, position.plus(step));
        }

        static Run from(FilmedShot filmed, Rational position, Rational step) {
            return new Run(filmed, new ArrayList<>(List.of(position)), position.plus(step));
        }
    }

    /**
     * In the order in which the runs end.
     *
     * @param cameras of what the cameras see it from and how
     * @param inView  of what some frame may show of the sets
     */
    public record Digest(String cameras, String inView) {
    }

    private final List<Run> runs;

    private FilmedRuns(List<Run> runs) {
        this.runs = runs;
    }

    public static FilmedRuns of(PicturePlan plan) {
        List<Run> done = new ArrayList<>();
        List<Run> open = new ArrayList<>();
        for (long k = 0; k < plan.frames(); k++) {
            List<Run> going = new ArrayList<>();
            for (PicturePlan.Layer layer : plan.at(k).layers()) {
                if (layer.source() instanceof PicturePlan.Source.OfCamera of) {
                    Run before = open.stream().filter(r -> r.goesOnAt(of.filmed(), of.position())).findFirst().orElse(null);
                    open.remove(before);
                    going.add(before == null ? Run.from(of.filmed(), of.position(), of.step()) : before.with(of.position(), of.step()));
                }
            }
            done.addAll(open);
            open = going;
        }
        done.addAll(open);
        return new FilmedRuns(done);
    }

    /** @param blur whether its pictures show what is in focus */
    public Digest digest(boolean blur) {
        // none asks anything of another, and a long master has thousands
        List<Digest> each = runs.parallelStream().map(run -> digest(run, blur)).toList();
        return new Digest(Fingerprint.digest(String.join(" ", each.stream().map(Digest::cameras).toList())),
                Fingerprint.digest(String.join(" ", each.stream().map(Digest::inView).toList())));
    }

    private static Digest digest(Run run, boolean blur) {
        Bake bake = Bake.of(run.filmed, run.positions, run.after);
        return new Digest(Fingerprint.camera(bake).seen(blur), Fingerprint.inView(bake, run.filmed.stage().items()));
    }
}
