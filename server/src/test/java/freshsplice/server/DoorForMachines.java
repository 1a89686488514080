package freshsplice.server;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/** A server with a door for other machines, which may be killed and started again, and a key for them. */
final class DoorForMachines implements AutoCloseable {
    /** What settings say so that the server leaves all drawing to others. */
    static final String ELSEWHERE = "fresh-splice.draw-here=false";

    final Path data = Path.of("target", "workers-" + System.nanoTime()).toAbsolutePath();
    final Path keep = data.resolve("keep");
    final int port;
    final Path key;
    final long keyId;
    OwnProcess server;
    Client client;

    /** One that is started, and draws nothing itself. */
    DoorForMachines() throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Files.createDirectories(data);
        start(ELSEWHERE);
        JsonNode made = client.post("/api/machines/keys", Map.of("name", "room 2"));
        keyId = made.get("id").asLong();
        key = Files.writeString(data.resolve("key"), made.get("key").asString() + "\n");
    }

    /** Starts it. @param settings beside the door's own */
    void start(String... settings) throws IOException {
        Files.write(data.resolve("settings.properties"), Stream.concat(Stream.of("fresh-splice.workers-address=127.0.0.1:" + port), Stream.of(settings)).toList());
        server = OwnProcess.server(data);
        client = server.client();
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    /** A machine that draws for it, once it is known. */
    OwnProcess worker(String name) throws IOException {
        return known(name, OwnProcess.worker(address(), key, name, keep));
    }

    /** One that draws with narrower registers, and so with what is another driver. */
    OwnProcess oddWorker() throws IOException {
        return known("odd", OwnProcess.oddWorker(address(), key, "odd", keep));
    }

    /** A render that other machines have begun to draw. */
    LongRender begunRender() throws Exception {
        return LongRender.begun(client, data);
    }

    private static OwnProcess known(String name, OwnProcess worker) throws IOException {
        worker.line("Known to the server as " + name);
        return worker;
    }

    @Override
    public void close() throws IOException, InterruptedException {
        server.close();
        KilledDatabaseIT.server(data).ifPresent(ProcessHandle::destroyForcibly);
    }
}
