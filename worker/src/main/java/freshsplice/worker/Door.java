package freshsplice.worker;

import freshsplice.render.FileDigest;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The server as a machine that draws for it sees it. */
final class Door {
    private static final Duration CONNECT = Duration.ofSeconds(10);
    private static final Duration ANSWER = Duration.ofSeconds(60);
    private static final int OK = 200;
    private static final int NOTHING = 204;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final URI server;
    private final String key;
    private final HttpClient client = HttpClient.newBuilder().connectTimeout(CONNECT).version(HttpClient.Version.HTTP_1_1).build();

    /** @param server http or https, host and port; @param key as its file has it */
    Door(URI server, String key) {
        this.server = server;
        this.key = key;
    }

    Wire.Welcome hello(Wire.Hello hello) throws IOException {
        return ask("/seats", hello, Wire.Welcome.class);
    }

    /** Waits for something to draw. @return null where there is nothing yet */
    Wire.Assignment next(String seat) throws IOException {
        return ask("/seats/" + seat + "/next", null, Wire.Assignment.class);
    }

    boolean heard(String seat, String ticket) throws IOException {
        return ask("/seats/" + seat + "/chunks/" + ticket, null, Wire.Heard.class).goesOn();
    }

    void ended(String seat, String ticket, Wire.End ended) throws IOException {
        ask("/seats/" + seat + "/chunks/" + ticket + "/ended", ended, Void.class);
    }

    void leave(String seat) throws IOException {
        ask("/seats/" + seat + "/leave", null, Void.class);
    }

    /** What a chunk is drawn from. @param what job, orders, or a set */
    byte[] get(String seat, String ticket, String what) throws IOException {
        HttpResponse<byte[]> answer = send(request("/seats/" + seat + "/chunks/" + ticket + "/" + what).GET().build(),
                HttpResponse.BodyHandlers.ofByteArray());
        check(answer.statusCode(), answer.body());
        if (!FileDigest.of(answer.body()).equals(Wire.digestOf(answer.headers().firstValue(Wire.DIGEST).orElse("")))) {
            throw new IOException("What came of " + what + " is not what was sent");
        }
        return answer.body();
    }

    /** Gets a board or a movie into a file. @param digest that it is known by */
    void reel(String seat, String ticket, String key, String digest, Path into) throws IOException {
        HttpResponse<InputStream> answer = send(request("/seats/" + seat + "/chunks/" + ticket + "/reels?key="
                + URLEncoder.encode(key, StandardCharsets.UTF_8)).GET().build(), HttpResponse.BodyHandlers.ofInputStream());
        try (InputStream in = answer.body()) {
            if (answer.statusCode() != OK) {
                check(answer.statusCode(), in.readAllBytes());
            }
            Files.copy(in, into, StandardCopyOption.REPLACE_EXISTING);
            if (!digest.isEmpty() && !FileDigest.isOf(into, digest)) {
                throw new IOException("A picture came otherwise than it was sent");
            }
        }
    }

    /** Hands in a frame. */
    void frame(String seat, String ticket, long frame, byte[] bytes) throws IOException {
        HttpResponse<byte[]> answer = send(request("/seats/" + seat + "/chunks/" + ticket + "/frames/" + frame)
                .header(Wire.DIGEST, Wire.digestHeader(FileDigest.of(bytes))).header("Content-Type", "application/octet-stream")
                .PUT(HttpRequest.BodyPublishers.ofByteArray(bytes)).build(), HttpResponse.BodyHandlers.ofByteArray());
        check(answer.statusCode(), answer.body());
    }

    /** Says that a frame lies in the shared folder. */
    void put(String seat, String ticket, long frame, String sha256) throws IOException {
        ask("/seats/" + seat + "/chunks/" + ticket + "/frames/" + frame + "/put", new Wire.Receipt(sha256), Void.class);
    }

    private <T> T ask(String address, Object body, Class<T> answered) throws IOException {
        HttpRequest.BodyPublisher sent = body == null ? HttpRequest.BodyPublishers.noBody()
                : HttpRequest.BodyPublishers.ofByteArray(JSON.writeValueAsBytes(body));
        HttpResponse<byte[]> answer = send(request(address).header("Content-Type", "application/json").POST(sent).build(),
                HttpResponse.BodyHandlers.ofByteArray());
        check(answer.statusCode(), answer.body());
        try {
            return answered == Void.class || answer.statusCode() == NOTHING ? null : JSON.readValue(answer.body(), answered);
        } catch (JacksonException e) {
            throw new Refusal(OK, "That is no server for this machine: " + server);
        }
    }

    private HttpRequest.Builder request(String address) {
        return HttpRequest.newBuilder(server.resolve(Wire.ROOT + address)).timeout(ANSWER).header("Authorization", "Bearer " + key);
    }

    private <T> HttpResponse<T> send(HttpRequest request, HttpResponse.BodyHandler<T> handler) throws IOException {
        try {
            return client.send(request, handler);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Stopped while the server was asked", e);
        }
    }

    private static void check(int status, byte[] body) throws Refusal {
        if (status != OK && status != NOTHING) {
            throw new Refusal(status, message(status, body));
        }
    }

    private static String message(int status, byte[] body) {
        try {
            String message = JSON.readValue(body, Wire.Message.class).message();
            return message == null ? "The server answered " + status : message;
        } catch (JacksonException e) {
            return "The server answered " + status;
        }
    }
}
