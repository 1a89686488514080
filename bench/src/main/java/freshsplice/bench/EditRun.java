package freshsplice.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Edits of a long master of many lanes on a running server, as the window asks for them. */
final class EditRun {
    private static final int SHOTS = 2000;
    private static final int UPPER_LANES = 5;
    private static final int ON_A_LANE = 300;
    /** frames of 01:00:00:00 at 24 frames/s */
    private static final long START = 86_400;
    private static final int TIMES = 15;

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;
    private String master;
    private boolean rolled;

    private final int events;

    private EditRun(String address, int events) {
        this.address = address;
        this.events = events;
    }

    /**
     * @param address of a server that was started, as it printed it; gets a project of its own
     * @param events  pieces of the cut under the master, none of which it shows
     */
    static void run(String address, int events) throws IOException, InterruptedException {
        new EditRun(address, events).measure();
    }

    private void measure() throws IOException, InterruptedException {
        String project = number("id", post("/api/projects", "{\"name\":\"Edits\"}"));
        long begun = System.nanoTime();
        master = post("/api/projects/" + project + "/masters", "{\"name\":\"Long\",\"shots\":" + SHOTS
                + ",\"frames\":40}").strip();
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms%n", SHOTS + " empty shots are made", (System.nanoTime() - begun) / 1e6);
        hold(project, foreignCut());
        List<String> ids = ids();
        for (int lane = 0; lane < UPPER_LANES; lane++) {
            edit("LANE_ADD", "", "");
        }
        // from each lane to the one above it: the pieces of the highest are the last that the view names
        List<String> highest = ids.subList(SHOTS / 2, SHOTS / 2 + ON_A_LANE);
        for (int i = 0; i < UPPER_LANES; i++) {
            edit("COPY_UP", String.join(",", highest), "");
            List<String> all = ids();
            highest = all.subList(all.size() - ON_A_LANE, all.size());
        }
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "pieces of the cut under it", events);
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "pieces on " + (UPPER_LANES + 1) + " lanes", ids().size());
        String early = ids.get(10);
        String middle = ids.get(SHOTS / 2);
        row("the view of the whole master", () -> get("/api/masters/" + master));
        row("a look at a pull", () -> get("/api/masters/" + master + "/pull?kind=SLIP&section=" + middle + "&frames=3"));
        row("slip", () -> edit("SLIP", middle, ",\"frames\":1"));
        row("roll a seam", this::rollToAndFro);
        row("switch a piece off and on", () -> edit("SWITCH", middle, ""));
        row("trim in the middle, a thousand move along", () -> edit("TAIL", middle, ",\"frames\":1,\"ripple\":true"));
        row("trim near the head, all move along", () -> edit("TAIL", early, ",\"frames\":1,\"ripple\":true"));
        row("undo of that", () -> post("/api/projects/" + project + "/undo", ""));
        row("lock a lane and open it", () -> edit("LANE_RENAME", "", ",\"text\":\"x" + System.nanoTime() + "\""));
        changed("one piece slipped", () -> edit("SLIP", middle, ",\"frames\":1"));
        changed("a trim near the head, all move along", () -> edit("TAIL", early, ",\"frames\":1,\"ripple\":true"));
    }

    private String rollToAndFro() throws IOException, InterruptedException {
        long seam = START + 40 * 1500;
        rolled = !rolled;
        return post("/api/masters/" + master + "/seam", "{\"at\":" + (rolled ? seam : seam + 1)
                + ",\"frames\":" + (rolled ? 1 : -1) + "}");
    }

    /** As many events as lie under the master's whole length, so that they fill it. */
    private String foreignCut() {
        long length = SHOTS * 40 / events;
        StringBuilder edl = new StringBuilder("TITLE: UNDER\nFCM: NON-DROP FRAME\n");
        for (int i = 0; i < events; i++) {
            long at = START + i * length;
            edl.append(String.format(Locale.ROOT, "%03d  AX V C %s %s %s %s%n* FROM CLIP NAME: bd_%05d.png%n", i + 1,
                    label(0), label(length), label(at), label(at + length), i));
        }
        return edl.toString();
    }

    private static String label(long frame) {
        return String.format(Locale.ROOT, "%02d:%02d:%02d:%02d", frame / 86_400, frame / 1440 % 60, frame / 24 % 60,
                frame % 24);
    }

    private void hold(String project, String edl) throws IOException, InterruptedException {
        String body = "--part\r\nContent-Disposition: form-data; name=\"files\"; filename=\"under.edl\"\r\n\r\n" + edl
                + "\r\n--part--\r\n";
        String cut = number("cutId", sent(HttpRequest.newBuilder(URI.create(address + "/api/projects/" + project + "/files"))
                .header("Content-Type", "multipart/form-data; boundary=part")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build()));
        post("/api/cuts/" + cut + "/rate?rate=24", "");
        post("/api/masters/" + master + "/hold?cut=" + cut, "");
    }

    private interface Asking {
        String ask() throws IOException, InterruptedException;
    }

    private static void row(String what, Asking asking) throws IOException, InterruptedException {
        double[] taken = new double[TIMES];
        for (int i = -3; i < TIMES; i++) {
            long begun = System.nanoTime();
            asking.ask();
            taken[Math.max(0, i)] = (System.nanoTime() - begun) / 1e6;
        }
        Arrays.sort(taken);
        System.out.printf(Locale.ROOT, "%-56s %8.0f ms, nine of ten within %.0f%n", what, taken[TIMES / 2],
                taken[TIMES * 9 / 10]);
    }

    /** An edit with what a window asks after it: how long both take, and how many bytes come. */
    private void changed(String what, Asking edit) throws IOException, InterruptedException {
        long[] bytes = {0};
        String[] stamp = {stamp(get("/api/masters/" + master + "/changes"))};
        row(what + ": edit and what a window asks then", () -> {
            edit.ask();
            String change = get("/api/masters/" + master + "/changes?since=" + stamp[0]);
            stamp[0] = stamp(change);
            bytes[0] = change.length();
            return change;
        });
        System.out.printf(Locale.ROOT, "%-56s %8.1f kB%n", "of that, sent to the window", bytes[0] / 1000.0);
    }

    private static String stamp(String change) throws IOException {
        Matcher found = Pattern.compile("\"stamp\":\"([0-9a-f]{8}\\.\\d+)\"").matcher(change);
        if (!found.find()) {
            throw new IOException("No stamp in " + change);
        }
        return found.group(1);
    }

    private String edit(String kind, String sections, String more) throws IOException, InterruptedException {
        return post("/api/masters/" + master + "/edits", "{\"kind\":\"" + kind + "\",\"sections\":[" + sections + "]" + more
                + "}");
    }

    private List<String> ids() throws IOException, InterruptedException {
        List<String> ids = new ArrayList<>();
        Matcher found = Pattern.compile("\\{\"id\":(\\d+),\"content\"").matcher(get("/api/masters/" + master));
        while (found.find()) {
            ids.add(found.group(1));
        }
        return ids;
    }

    private String get(String path) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).build());
    }

    private String post(String path, String body) throws IOException, InterruptedException {
        return sent(HttpRequest.newBuilder(URI.create(address + path)).header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build());
    }

    private String sent(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() / 100 != 2) {
            throw new IOException(request.uri() + " gave " + answer.statusCode() + ": " + answer.body());
        }
        return answer.body();
    }

    private static String number(String field, String json) throws IOException {
        Matcher found = Pattern.compile("\"" + field + "\":(\\d+)").matcher(json);
        if (!found.find()) {
            throw new IOException("No " + field + " in " + json);
        }
        return found.group(1);
    }
}
