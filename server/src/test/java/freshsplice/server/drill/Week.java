package freshsplice.server.drill;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;

/** A week: who does what, one after another. The same plays make the same week, and a week stays one with some of them left out. */
record Week(long seed, boolean renders, List<Play> plays) {
    /** @param operation index among all; @param seed of its own dice */
    record Play(int person, int operation, long seed) {
    }

    private static final List<String> PEOPLE = List.of("Ada", "Ben", "Cy");

    /** What was found, and what was asked until then. */
    record Outcome(int steps, Finding finding, String log) {
    }

    static List<Operation> operations(boolean renders) {
        List<Operation> all = new ArrayList<>();
        // what people do most of the day comes up most often
        all.addAll(MasterOperations.all());
        all.addAll(MasterOperations.all().subList(0, 2));
        all.addAll(StageOperations.all());
        all.addAll(SoundOperations.all());
        all.addAll(CutOperations.all());
        all.addAll(TimeOperations.all());
        all.addAll(ProjectOperations.all());
        if (renders) {
            all.addAll(RenderOperations.all());
            all.addAll(Kills.all());
        }
        return all;
    }

    static Week of(long seed, int steps, boolean renders) {
        Dice dice = new Dice(seed);
        int operations = operations(renders).size();
        int people = 2 + dice.below(2);
        return new Week(seed, renders, IntStream.range(0, steps).mapToObj(i -> new Play(dice.below(people), dice.below(operations), dice.seed())).toList());
    }

    Week with(List<Play> some) {
        return new Week(seed, renders, List.copyOf(some));
    }

    /** Does it in a new project. */
    Outcome run(String address) {
        List<Person> people = PEOPLE.stream().map(name -> new Person(address, name)).toList();
        StringBuilder log = new StringBuilder();
        int done = 0;
        try {
            World world = World.begin(new Person(address, "Window"), "Week " + seed, new Dice(seed));
            Map<String, JsonNode> first = States.of(world);
            long begun = newest(world);
            Watch watch = new Watch(world, renders);
            List<Operation> operations = operations(renders);
            for (Play play : plays) {
                Person who = people.get(play.person());
                Operation operation = operations.get(play.operation());
                log.append(operation.name()).append('\n');
                Touched touched;
                try {
                    touched = operation.play(world, who, new Dice(play.seed()));
                } finally {
                    log.append(who.log());
                }
                done++;
                watch.after(touched);
            }
            backAndForth(world, people.get(0), first, begun);
            return new Outcome(done, null, log.toString());
        } catch (Finding finding) {
            return new Outcome(done, finding, log.toString());
        }
    }

    private static long newest(World world) {
        return World.list(world.looks().get(world.path("/history"))).stream().filter(s -> s.get("done").asBoolean()).mapToLong(s -> s.get("seq").asLong())
                .max().orElse(0);
    }

    /** Undoing all steps gives the first state, and doing all again the last. */
    private static void backAndForth(World world, Person who, Map<String, JsonNode> first, long begun) {
        Map<String, JsonNode> last = States.of(world);
        long newest = newest(world);
        goTo(world, who, begun, "back", first);
        goTo(world, who, newest, "forth", last);
    }

    private static void goTo(World world, Person who, long step, String way, Map<String, JsonNode> wanted) {
        String what = "going " + way + " through all steps gives what was";
        if (who.post(world.path("/history/" + step), null).isEmpty()) {
            throw new Finding(what, "it was refused: " + who.log());
        }
        String difference = States.difference(wanted, States.of(world));
        if (!difference.isEmpty()) {
            throw new Finding(what, difference);
        }
    }
}
