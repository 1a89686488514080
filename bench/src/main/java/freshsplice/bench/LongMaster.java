package freshsplice.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A master of many shots in a project of its own on a running server, held against a cut.
 *
 * @param id     of the master
 * @param server where it is
 */
record LongMaster(RunningServer server, String project, String id) {
    static final int SHOTS = 2000;
    /** frames of each shot */
    static final int FRAMES = 40;
    /** frames of 01:00:00:00 at 24 frames/s */
    static final long START = 86_400;

    /** @param events clips of the cut under the master, none of which it shows */
    static LongMaster make(RunningServer server, int events) throws Exception {
        String project = RunningServer.number("id", server.post("/api/projects", "{\"name\":\"Bench\"}"));
        String[] master = {""};
        Times.of(0, 1, () -> master[0] = server.post("/api/projects/" + project + "/masters", "{\"name\":\"Long\",\"shots\":"
                + SHOTS + ",\"frames\":" + FRAMES + "}").strip()).print(SHOTS + " empty shots are made");
        LongMaster made = new LongMaster(server, project, master[0]);
        made.hold(foreignCut(events));
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "clips of the cut under it", events);
        return made;
    }

    /** A master that was received from the cut that it is held against: as shows are. */
    static LongMaster receive(RunningServer server) throws Exception {
        String project = RunningServer.number("id", server.post("/api/projects", "{\"name\":\"Bench\"}"));
        String cut = RunningServer.number("cutId", server.upload(project, List.of("received.edl"),
                List.of(foreignCut(SHOTS).getBytes(StandardCharsets.UTF_8))));
        server.post("/api/cuts/" + cut + "/rate?rate=24", "");
        Times.of(0, 1, () -> server.post("/api/cuts/" + cut + "/receive", "")).print(SHOTS + " shots are received");
        return new LongMaster(server, project, RunningServer.number("id", server.get("/api/projects/" + project + "/masters")));
    }

    /** As many events as lie under the master's whole length, so that they fill it. */
    private static String foreignCut(int events) {
        long length = SHOTS * FRAMES / events;
        StringBuilder edl = new StringBuilder("TITLE: UNDER\nFCM: NON-DROP FRAME\n");
        for (int i = 0; i < events; i++) {
            long at = START + i * length;
            edl.append(String.format(Locale.ROOT, "%03d  AX V C %s %s %s %s%n* FROM CLIP NAME: bd_%05d.png%n", i + 1,
                    label(0), label(length), label(at), label(at + length), i));
        }
        return edl.toString();
    }

    /** A timecode label at 24 frames/s. */
    static String label(long frame) {
        return String.format(Locale.ROOT, "%02d:%02d:%02d:%02d", frame / 86_400, frame / 1440 % 60, frame / 24 % 60,
                frame % 24);
    }

    private void hold(String edl) throws IOException, InterruptedException {
        String cut = RunningServer.number("cutId", server.upload(project, List.of("under.edl"),
                List.of(edl.getBytes(StandardCharsets.UTF_8))));
        server.post("/api/cuts/" + cut + "/rate?rate=24", "");
        server.post("/api/masters/" + id + "/hold?cut=" + cut, "");
    }

    /** What of the master a field holds in each of its clips, in order. @param field of the clip's id or shot */
    List<String> ofClips(String field) throws IOException, InterruptedException {
        List<String> all = new ArrayList<>();
        Matcher found = Pattern.compile(field.equals("id") ? "\\{\"id\":(\\d+),\"content\""
                : "\\{\"id\":\\d+,\"content\":\"SHOT\",(?:\"sceneId\":\\d+,)?\"shotId\":(\\d+)").matcher(server.get("/api/masters/" + id));
        while (found.find()) {
            all.add(found.group(1));
        }
        return all;
    }

    /** @param since stamp of what a window has; null for the whole */
    String changes(String since) throws IOException, InterruptedException {
        return server.get("/api/masters/" + id + "/changes" + (since == null ? "" : "?since=" + since));
    }

    static String stamp(String changes) throws IOException {
        return RunningServer.found("\"stamp\":\"([0-9a-f]{8}\\.\\d+)\"", changes);
    }
}
