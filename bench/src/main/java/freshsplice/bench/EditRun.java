package freshsplice.bench;

import java.io.IOException;
import java.util.List;
import java.util.Locale;

/** Edits of a long master of many tracks on a running server, as the window asks for them. */
final class EditRun {
    private static final int UPPER_TRACKS = 5;
    private static final int ON_A_TRACK = 300;
    private static final int TIMES = 15;
    private static final int BEFORE = 3;

    private final LongMaster master;
    private boolean rolled;

    private EditRun(LongMaster master) {
        this.master = master;
    }

    /**
     * @param address of a server that was started, as it printed it; gets a project of its own
     * @param events  clips of the cut under the master, none of which it shows
     */
    static void run(String address, int events) throws Exception {
        RunningServer server = new RunningServer(address);
        new EditRun(LongMaster.receive(server)).measureReceived();
        new EditRun(LongMaster.make(server, events)).measure();
    }

    private void measureReceived() throws Exception {
        List<String> ids = master.ofClips("id");
        String middle = ids.get(LongMaster.SHOTS / 2);
        changed("received, one clip slipped", () -> edit("SLIP", middle, ",\"frames\":1"));
        changed("received, a trim near the head, all move along", () -> edit("TAIL", ids.get(10), ",\"frames\":1,\"ripple\":true"));
        String shot = master.ofClips("shotId").get(LongMaster.SHOTS / 2);
        changed("received, a key of a camera", () -> master.server().post("/api/shots/" + shot + "/camera/edits", "{\"kind\":\"SET\",\"frame\":1001,\"values\":{"
                + "\"pan\":" + System.nanoTime() % 180 + "},\"easing\":\"EASED\"}"));
    }

    private void measure() throws Exception {
        RunningServer server = master.server();
        List<String> ids = master.ofClips("id");
        for (int track = 0; track < UPPER_TRACKS; track++) {
            edit("TRACK_ADD", "", "");
        }
        // from each track to the one above it: the clips of the highest are the last that the view names
        List<String> highest = ids.subList(LongMaster.SHOTS / 2, LongMaster.SHOTS / 2 + ON_A_TRACK);
        for (int i = 0; i < UPPER_TRACKS; i++) {
            edit("COPY_UP", String.join(",", highest), "");
            List<String> all = master.ofClips("id");
            highest = all.subList(all.size() - ON_A_TRACK, all.size());
        }
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "clips on " + (UPPER_TRACKS + 1) + " tracks", master.ofClips("id").size());
        String early = ids.get(10);
        String middle = ids.get(LongMaster.SHOTS / 2);
        row("the view of the whole master", () -> server.get("/api/masters/" + master.id()));
        row("a look at a pull", () -> server.get("/api/masters/" + master.id() + "/pull?kind=SLIP&clip=" + middle
                + "&frames=3"));
        row("slip", () -> edit("SLIP", middle, ",\"frames\":1"));
        row("roll a seam", this::rollToAndFro);
        row("switch a clip off and on", () -> edit("SWITCH", middle, ""));
        row("trim in the middle, a thousand move along", () -> edit("TAIL", middle, ",\"frames\":1,\"ripple\":true"));
        row("trim near the head, all move along", () -> edit("TAIL", early, ",\"frames\":1,\"ripple\":true"));
        row("undo of that", () -> server.post("/api/projects/" + master.project() + "/undo", ""));
        row("lock a track and open it", () -> edit("TRACK_RENAME", "", ",\"text\":\"x" + System.nanoTime() + "\""));
        changed("one clip slipped", () -> edit("SLIP", middle, ",\"frames\":1"));
        changed("a trim near the head, all move along", () -> edit("TAIL", early, ",\"frames\":1,\"ripple\":true"));
    }

    private void rollToAndFro() throws IOException, InterruptedException {
        long seam = LongMaster.START + LongMaster.FRAMES * 1500L;
        rolled = !rolled;
        master.server().post("/api/masters/" + master.id() + "/seam", "{\"at\":" + (rolled ? seam : seam + 1)
                + ",\"frames\":" + (rolled ? 1 : -1) + "}");
    }

    private static void row(String what, Times.Work work) throws Exception {
        Times.of(BEFORE, TIMES, work).print(what);
    }

    /** An edit with what a window asks after it: how long both take, and how many bytes come. */
    private void changed(String what, Times.Work edit) throws Exception {
        long[] bytes = {0};
        String[] stamp = {LongMaster.stamp(master.changes(null))};
        row(what + ": edit and what a window asks then", () -> {
            edit.run();
            String change = master.changes(stamp[0]);
            stamp[0] = LongMaster.stamp(change);
            bytes[0] = change.length();
        });
        System.out.printf(Locale.ROOT, "%-56s %8.1f kB%n", "of that, sent to the window", bytes[0] / 1000.0);
    }

    private void edit(String kind, String clips, String more) throws IOException, InterruptedException {
        master.server().post("/api/masters/" + master.id() + "/edits", "{\"kind\":\"" + kind + "\",\"clips\":["
                + clips + "]" + more + "}");
    }
}
