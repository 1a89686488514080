package freshsplice.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Talks to a server that was started, as a window does. */
final class RunningServer {
    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    /** @param address as it printed it */
    RunningServer(String address) {
        this.address = address;
    }

    String get(String path) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).build());
    }

    String post(String path, String body) throws IOException, InterruptedException {
        return post(path, body, "bench");
    }

    String post(String path, String body, String who) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).header("Content-Type", "application/json")
                .header("X-Who", URLEncoder.encode(who, StandardCharsets.UTF_8))
                .POST(HttpRequest.BodyPublishers.ofString(body)).build());
    }

    /** Gives files to a project as ones dropped into Intake. */
    String upload(String project, List<String> names, List<byte[]> files) throws IOException, InterruptedException {
        ByteArrayOutputStream form = new ByteArrayOutputStream();
        for (int i = 0; i < names.size(); i++) {
            form.write(("--part\r\nContent-Disposition: form-data; name=\"files\"; filename=\"" + names.get(i)
                    + "\"\r\nContent-Type: application/octet-stream\r\n\r\n").getBytes(StandardCharsets.UTF_8));
            form.write(files.get(i));
            form.write("\r\n".getBytes(StandardCharsets.UTF_8));
        }
        form.write("--part--\r\n".getBytes(StandardCharsets.UTF_8));
        return sent(HttpRequest.newBuilder(URI.create(address + "/api/projects/" + project + "/files"))
                .header("Content-Type", "multipart/form-data; boundary=part")
                .POST(HttpRequest.BodyPublishers.ofByteArray(form.toByteArray())).build());
    }

    /** Hears what windows of a project are told, until the thread is interrupted. */
    void listen(String line, LineReader reader) throws IOException, InterruptedException {
        HttpRequest asked = HttpRequest.newBuilder(URI.create(address + "/api/projects/" + line)).build();
        http.send(asked, HttpResponse.BodyHandlers.ofLines()).body().forEach(reader::line);
    }

    /** Gets each line that comes. */
    interface LineReader {
        void line(String text);
    }

    private String sent(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() / 100 != 2) {
            throw new IOException(request.uri() + " gave " + answer.statusCode() + ": " + answer.body());
        }
        return answer.body();
    }

    /** A whole number of an answer, as it stands there. */
    static String number(String field, String json) throws IOException {
        return found("\"" + field + "\":(\\d+)", json);
    }

    /** What a pattern's first group finds in an answer. */
    static String found(String pattern, String json) throws IOException {
        Matcher found = Pattern.compile(pattern).matcher(json);
        if (!found.find()) {
            throw new IOException("No " + pattern + " in " + json.substring(0, Math.min(300, json.length())));
        }
        return found.group(1);
    }
}
