package freshsplice.core.delivery;

import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.List;

/**
 * What a movie films: stretches in which one shot goes on from frame to frame, each at the exact positions that are drawn. Two movies
 * with equal digests show the same through the same cameras, whatever else their sets hold and their cameras do at other times.
 */
public final class FilmedRuns {
    /** One shot from frame to frame. */
    private static final class Run {
        private final FilmedShot filmed;
        private final List<Rational> positions = new ArrayList<>();
        /** Where the frame after its last one would be. */
        private Rational after;

        Run(FilmedShot filmed) {
            this.filmed = filmed;
        }

        boolean goesOnAt(PicturePlan.Source.OfCamera frame) {
            return filmed == frame.filmed() && after.equals(frame.position());
        }

        Run with(PicturePlan.Source.OfCamera frame) {
            positions.add(frame.position());
            after = frame.position().plus(frame.step());
            return this;
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
                    Run run = open.stream().filter(r -> r.goesOnAt(of)).findFirst().orElseGet(() -> new Run(of.filmed()));
                    open.remove(run);
                    going.add(run.with(of));
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
