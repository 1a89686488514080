package freshsplice.server;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import tools.jackson.databind.JsonNode;

/** A server with a door for other machines, which may be killed and started again, and a key for them; up for all tests of a class. */
final class DoorForMachines implements BeforeAllCallback, AfterAllCallback {
    /** What settings say so that the server leaves all drawing to others. */
    static final String ELSEWHERE = "fresh-splice.draw-here=false";

    final Path data = Path.of("target", "workers-" + System.nanoTime()).toAbsolutePath();
    final Path keep = data.resolve("keep");
    int port;
    Path key;
    long keyId;
    OwnProcess server;
    Client client;

    /** Starts it; it draws nothing itself. */
    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
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

    /** One that nothing of is drawn yet. */
    LongRender askedRender() throws IOException {
        return LongRender.asked(client, data);
    }

    private static OwnProcess known(String name, OwnProcess worker) throws IOException {
        worker.line("Known to the server as " + name);
        return worker;
    }

    /** As if the machine that it runs on went dark: it is killed, and its database with it. */
    void kill() throws Exception {
        server.kill();
        KilledDatabaseTest.kill(data);
    }

    @Override
    public void afterAll(ExtensionContext context) throws IOException, InterruptedException {
        server.close();
        KilledDatabaseTest.server(data).ifPresent(ProcessHandle::destroyForcibly);
    }
}
