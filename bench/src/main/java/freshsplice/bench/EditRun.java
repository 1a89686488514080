package freshsplice.bench;

import java.io.IOException;
import java.util.List;
import java.util.Locale;

/** Edits of a long master of many lanes on a running server, as the window asks for them. */
final class EditRun {
    private static final int UPPER_LANES = 5;
    private static final int ON_A_LANE = 300;
    private static final int TIMES = 15;
    private static final int BEFORE = 3;

    private final LongMaster master;
    private boolean rolled;

    private EditRun(LongMaster master) {
        this.master = master;
    }

    /**
     * @param address of a server that was started, as it printed it; gets a project of its own
     * @param events  pieces of the cut under the master, none of which it shows
     */
    static void run(String address, int events) throws Exception {
        RunningServer server = new RunningServer(address);
        new EditRun(LongMaster.receive(server)).measureReceived();
        new EditRun(LongMaster.make(server, events)).measure();
    }

    private void measureReceived() throws Exception {
        List<String> ids = master.ofPieces("id");
        String middle = ids.get(LongMaster.SHOTS / 2);
        changed("received, one piece slipped", () -> edit("SLIP", middle, ",\"frames\":1"));
        changed("received, a trim near the head, all move along", () -> edit("TAIL", ids.get(10), ",\"frames\":1,\"ripple\":true"));
        String shot = master.ofPieces("shotId").get(LongMaster.SHOTS / 2);
        changed("received, a key of a camera", () -> master.server().post("/api/shots/" + shot + "/camera/edits", "{\"kind\":\"SET\",\"frame\":1001,\"values\":{"
                + "\"pan\":" + System.nanoTime() % 180 + "},\"easing\":\"EASED\"}"));
    }

    private void measure() throws Exception {
        RunningServer server = master.server();
        List<String> ids = master.ofPieces("id");
        for (int lane = 0; lane < UPPER_LANES; lane++) {
            edit("LANE_ADD", "", "");
        }
        // from each lane to the one above it: the pieces of the highest are the last that the view names
        List<String> highest = ids.subList(LongMaster.SHOTS / 2, LongMaster.SHOTS / 2 + ON_A_LANE);
        for (int i = 0; i < UPPER_LANES; i++) {
            edit("COPY_UP", String.join(",", highest), "");
            List<String> all = master.ofPieces("id");
            highest = all.subList(all.size() - ON_A_LANE, all.size());
        }
        System.out.printf(Locale.ROOT, "%-56s %8d%n", "pieces on " + (UPPER_LANES + 1) + " lanes", master.ofPieces("id").size());
        String early = ids.get(10);
        String middle = ids.get(LongMaster.SHOTS / 2);
        row("the view of the whole master", () -> server.get("/api/masters/" + master.id()));
        row("a look at a pull", () -> server.get("/api/masters/" + master.id() + "/pull?kind=SLIP&section=" + middle
                + "&frames=3"));
        row("slip", () -> edit("SLIP", middle, ",\"frames\":1"));
        row("roll a seam", this::rollToAndFro);
        row("switch a piece off and on", () -> edit("SWITCH", middle, ""));
        row("trim in the middle, a thousand move along", () -> edit("TAIL", middle, ",\"frames\":1,\"ripple\":true"));
        row("trim near the head, all move along", () -> edit("TAIL", early, ",\"frames\":1,\"ripple\":true"));
        row("undo of that", () -> server.post("/api/projects/" + master.project() + "/undo", ""));
        row("lock a lane and open it", () -> edit("LANE_RENAME", "", ",\"text\":\"x" + System.nanoTime() + "\""));
        changed("one piece slipped", () -> edit("SLIP", middle, ",\"frames\":1"));
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

    private void edit(String kind, String sections, String more) throws IOException, InterruptedException {
        master.server().post("/api/masters/" + master.id() + "/edits", "{\"kind\":\"" + kind + "\",\"sections\":["
                + sections + "]" + more + "}");
    }
}
