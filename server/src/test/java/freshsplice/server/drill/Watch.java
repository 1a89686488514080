package freshsplice.server.drill;

import java.util.ArrayList;
import java.util.List;

/** What must hold after every step of a week. Each check is a class of its own; a new feature adds to them or joins with one. */
final class Watch {
    /** One thing that must hold. */
    interface Check {
        /** @throws Finding if it does not. @param touched what the steps since the last look may have changed */
        void look(World world, Touched touched);

        /** Looks at it each so many steps: what costs much is looked at less often. */
        default int every() {
            return 1;
        }
    }

    private final World world;
    private final List<Check> checks;
    private final List<Touched> since = new ArrayList<>();
    private int steps;

    Watch(World world, boolean pictures) {
        this.world = world;
        this.checks = new ArrayList<>(List.of(new NamesWhatLives(), new AnswersAll(), new FeedIsWhole(), new SoundStays(), new StalenessHolds()));
        if (pictures) {
            checks.addAll(List.of(new PicturesStay(), new RendersComeToTheirEnd()));
        }
        checks.forEach(check -> {
            since.add(Touched.NOTHING);
            check.look(world, Touched.ALL);
        });
    }

    void after(Touched touched) {
        steps++;
        for (int i = 0; i < checks.size(); i++) {
            Check check = checks.get(i);
            since.set(i, since.get(i).and(touched));
            if (steps % check.every() == 0) {
                check.look(world, since.get(i));
                since.set(i, Touched.NOTHING);
            }
        }
    }
}
