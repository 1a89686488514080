package freshsplice.server.drill;

import freshsplice.server.Client;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Somebody who works by the interface. Whatever is answered, it is never a failure of the server. */
final class Person {
    private static final int SERVER_FAILED = 500;
    private static final int ASKED = 409;
    private static final int OK = 200;

    private final String name;
    private final Client client;
    private final StringBuilder said = new StringBuilder();

    Person(String address, String name) {
        this.name = name;
        this.client = new Client(address, name);
    }

    String name() {
        return name;
    }

    /** What was asked since this was asked last, and what was answered, a line each. */
    String log() {
        String lines = said.toString();
        said.setLength(0);
        return lines;
    }

    /** @throws Finding if it is not answered */
    JsonNode get(String path) {
        byte[] body = bytes(path);
        return body.length == 0 ? Client.JSON.nullNode() : Client.JSON.readTree(body);
    }

    /** @throws Finding if it is not answered */
    byte[] bytes(String path) {
        HttpResponse<byte[]> answer = client.tryGet(path);
        if (answer.statusCode() != OK) {
            throw new Finding("every question of a window is answered", "GET " + path + " answered " + answer.statusCode() + " "
                    + text(answer));
        }
        return answer.body();
    }

    /** @return what was answered; empty where it was refused in a sentence */
    Optional<JsonNode> ask(String path) {
        return answered(path, client.tryGet(path));
    }

    /** @return the file that was asked for; empty where it was refused in a sentence */
    byte[] file(String path) {
        HttpResponse<byte[]> answer = client.tryPost(path, null);
        note("POST " + path, answer);
        if (answer.statusCode() != OK) {
            answered(path, answer);
            return new byte[0];
        }
        return answer.body();
    }

    /** @return what was answered; empty where it was refused in a sentence */
    Optional<JsonNode> post(String path, Object body) {
        HttpResponse<byte[]> answer = client.tryPost(path, body);
        if (answer.statusCode() == ASKED && Client.json(answer).path("confirm").asBoolean() && path.hashCode() % 2 == 0) {
            answer = client.tryPost(path, body, Map.of("X-Confirmed", "1"));
        }
        note("POST " + path + " " + (body == null ? "" : Client.JSON.writeValueAsString(body)), answer);
        return answered(path, answer);
    }

    Optional<JsonNode> upload(String path, Map<String, byte[]> files) {
        try {
            HttpResponse<byte[]> answer = client.tryUpload(path, files);
            note("POST " + path + " " + files.keySet(), answer);
            return answered(path, answer);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void note(String asked, HttpResponse<byte[]> answer) {
        said.append("  ").append(name).append(' ').append(asked.substring(0, Math.min(600, asked.length()))).append(" -> ")
                .append(answer.statusCode()).append(answer.statusCode() == OK ? "" : " " + text(answer)).append('\n');
    }

    private static Optional<JsonNode> answered(String path, HttpResponse<byte[]> answer) {
        if (answer.statusCode() >= SERVER_FAILED) {
            throw new Finding("the server does not fail", path + " answered " + answer.statusCode() + " " + text(answer));
        }
        if (answer.statusCode() != OK) {
            String message = Client.message(answer);
            if (message.isBlank() || message.matches("(?s).*(Exception|java\\.|null\\b|SQL).*")) {
                throw new Finding("a refusal is a sentence", path + " answered " + answer.statusCode() + " " + text(answer));
            }
            return Optional.empty();
        }
        return Optional.of(answer.body().length == 0 ? Client.JSON.nullNode() : Client.JSON.readTree(answer.body()));
    }

    private static String text(HttpResponse<byte[]> answer) {
        String text = new String(answer.body(), StandardCharsets.UTF_8);
        return text.substring(0, Math.min(400, text.length()));
    }
}
