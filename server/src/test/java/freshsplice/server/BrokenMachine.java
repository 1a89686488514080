package freshsplice.server;

import freshsplice.render.DrawingVersion;
import freshsplice.worker.Wire;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.concurrent.atomic.AtomicInteger;

/** A machine that is let in, takes all that it is given, and draws nothing of it. */
final class BrokenMachine implements AutoCloseable {
    /** What a machine asks, by hand. */
    static final class Hand {
        private final HttpClient http = HttpClient.newHttpClient();
        private final DoorForMachines door;
        private final Wire.Welcome welcome;

        private Hand(DoorForMachines door, String name, String driver) throws IOException, InterruptedException {
            this.door = door;
            this.welcome = ask("/seats", new Wire.Hello(name, driver, DrawingVersion.now()), Wire.Welcome.class);
        }

        private <T> T ask(String address, Object body, Class<T> answered) throws IOException, InterruptedException {
            HttpResponse<byte[]> answer = http.send(HttpRequest.newBuilder(URI.create(door.address() + Wire.ROOT + address))
                    .header("Authorization", "Bearer " + Files.readString(door.key).strip()).header("Content-Type", "application/json")
                    .POST(body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(Client.JSON.writeValueAsString(body)))
                    .build(), HttpResponse.BodyHandlers.ofByteArray());
            return answered == Void.class || answer.statusCode() != 200 ? null : Client.JSON.readValue(answer.body(), answered);
        }

        /** What it is given within some seconds; null for nothing. */
        Wire.Assignment next() throws IOException, InterruptedException {
            return ask("/seats/" + welcome.seat() + "/next", null, Wire.Assignment.class);
        }

        boolean heard(String ticket) throws IOException, InterruptedException {
            Wire.Heard heard = ask("/seats/" + welcome.seat() + "/chunks/" + ticket, null, Wire.Heard.class);
            return heard != null && heard.goesOn();
        }

        void fail(String ticket, String why) throws IOException, InterruptedException {
            ask("/seats/" + welcome.seat() + "/chunks/" + ticket + "/ended", new Wire.End(why), Void.class);
        }

        void leave() throws IOException, InterruptedException {
            ask("/seats/" + welcome.seat() + "/leave", null, Void.class);
        }
    }

    private final Hand hand;
    private final AtomicInteger failed = new AtomicInteger();
    private final Thread thread;

    BrokenMachine(DoorForMachines door, String name, String driver) throws IOException, InterruptedException {
        hand = hand(door, name, driver);
        thread = new Thread(this::failAll, name);
        thread.start();
    }

    static Hand hand(DoorForMachines door, String name, String driver) throws IOException, InterruptedException {
        return new Hand(door, name, driver);
    }

    private void failAll() {
        try {
            while (!thread.isInterrupted()) {
                Wire.Assignment given = hand.next();
                if (given != null) {
                    failed.incrementAndGet();
                    hand.fail(given.ticket(), "its card is broken");
                }
            }
        } catch (IOException | InterruptedException e) {
            // told to end
        }
    }

    int failed() {
        return failed.get();
    }

    @Override
    public void close() throws Exception {
        thread.interrupt();
        thread.join();
        hand.leave();
    }
}
