package freshsplice.server.drill;

import freshsplice.server.Client;
import freshsplice.server.TestServer;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/** The database dies under an edit and, it may be, under renders: it is back within a minute, and the edit was made or was not. */
final class Kills implements Operation {
    private static final Duration PATIENCE = Duration.ofMinutes(1);
    private static final int LONGEST_EDIT_MS = 40;
    private static final int OK = 200;

    static List<Operation> all() {
        return List.of(new Kills());
    }

    @Override
    public Touched play(World world, Person who, Dice dice) {
        Client client = new Client(TestServer.address(), who.name());
        // whatever is answered: the checks see whether it was made, and whole
        CompletableFuture<Void> edit = edit(world, dice).map(slip -> CompletableFuture.runAsync(() -> client.tryPost(slip.path(), slip.body())))
                .orElseGet(() -> CompletableFuture.completedFuture(null));
        World.pause(dice.below(LONGEST_EDIT_MS));
        ProcessHandle.current().descendants().filter(p -> p.info().command().orElse("").endsWith("mariadbd")).forEach(ProcessHandle::destroyForcibly);
        edit.join();
        Instant end = Instant.now().plus(PATIENCE);
        while (client.tryGet(world.path("/history")).statusCode() != OK) {
            if (Instant.now().isAfter(end)) {
                throw new Finding("a database that dies is started again", "it is away for a minute");
            }
            World.pause(100);
        }
        return Touched.ALL;
    }

    private record Edit(String path, Map<String, Object> body) {
    }

    private static Optional<Edit> edit(World world, Dice dice) {
        return world.anyMaster(dice).flatMap(master -> dice.of(master.get("clips")).map(clip -> new Edit("/api/masters/" + master.get("id").asLong() + "/edits",
                Map.of("kind", "SLIP", "frames", dice.between(-3, 3), "clips", List.of(clip.get("id").asLong())))));
    }
}
