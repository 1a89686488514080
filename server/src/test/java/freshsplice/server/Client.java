package freshsplice.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks HTTP to a server as a window or a pipeline does. */
public final class Client {
    public static final JsonMapper JSON = JsonMapper.builder().build();
    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    private final String who;

    public Client(String address) {
        this(address, "Test");
    }

    /** @param who whom steps are said to be by */
    public Client(String address, String who) {
        this.address = address;
        this.who = who;
    }

    public HttpResponse<byte[]> send(HttpRequest.Builder request) {
        try {
            return http.send(request.build(), BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).header("X-Who", who);
    }

    public byte[] bytes(String path) {
        return ok(send(to(path))).body();
    }

    /** Applies changes of a cut as the window does: each by what it is. */
    public JsonNode applyChanges(long cut, Iterable<JsonNode> changes) {
        List<Map<String, String>> chosen = new ArrayList<>();
        changes.forEach(c -> chosen.add(Map.of("id", c.get("id").asString(), "words", c.get("words").asString())));
        return post("/api/cuts/" + cut + "/turnover/apply", Map.of("changes", chosen));
    }

    /** The bytes that a POST answers with. */
    public byte[] postForBytes(String path) {
        return ok(tryPost(path, null)).body();
    }

    public JsonNode get(String path) {
        return JSON.readTree(bytes(path));
    }

    /** The clips of the cut that a master is held against. */
    public JsonNode cutClips(JsonNode master) {
        return get("/api/cuts/" + master.get("cut").get("id").asLong() + "/clips").get("clips");
    }

    public HttpResponse<byte[]> tryGet(String path) {
        return send(to(path));
    }

    public HttpResponse<byte[]> tryPost(String path, Object body) {
        return tryPost(path, body, Map.of());
    }

    public HttpResponse<byte[]> tryPost(String path, Object body, Map<String, String> headers) {
        HttpRequest.Builder request = to(path);
        headers.forEach(request::header);
        return send(request.header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body == null ? "" : JSON.writeValueAsString(body))));
    }

    public JsonNode post(String path, Object body) {
        byte[] answer = ok(tryPost(path, body)).body();
        return answer.length == 0 ? null : JSON.readTree(answer);
    }

    public JsonNode upload(String path, Map<String, byte[]> files) throws IOException {
        return JSON.readTree(ok(tryUpload(path, files)).body());
    }

    public HttpResponse<byte[]> tryUpload(String path, Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream form = new ByteArrayOutputStream();
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            form.write(("--part\r\nContent-Disposition: form-data; name=\"files\"; filename=\"" + file.getKey()
                    + "\"\r\nContent-Type: application/octet-stream\r\n\r\n").getBytes(StandardCharsets.UTF_8));
            form.write(file.getValue());
            form.write("\r\n".getBytes(StandardCharsets.UTF_8));
        }
        form.write("--part--\r\n".getBytes(StandardCharsets.UTF_8));
        return send(to(path).header("Content-Type", "multipart/form-data; boundary=part")
                .POST(BodyPublishers.ofByteArray(form.toByteArray())));
    }

    public static JsonNode json(HttpResponse<byte[]> response) {
        return JSON.readTree(response.body());
    }

    public static String message(HttpResponse<byte[]> response) {
        return JSON.readTree(response.body()).path("message").asString("");
    }

    private static HttpResponse<byte[]> ok(HttpResponse<byte[]> response) {
        if (response.statusCode() != 200) {
            throw new AssertionError(response.request().uri() + " answered " + response.statusCode() + ": "
                    + new String(response.body(), StandardCharsets.UTF_8));
        }
        return response;
    }
}
