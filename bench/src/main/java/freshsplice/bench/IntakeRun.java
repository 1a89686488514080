package freshsplice.bench;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;

/** An intake of many shots with as many pictures on a running server, as the window does it: the cut, then hundreds. */
final class IntakeRun {
    private static final int SHOTS = 2000;
    private static final int BATCH = 100;

    private final RunningServer server;

    private IntakeRun(RunningServer server) {
        this.server = server;
    }

    /** @param address of a server that was started, as it printed it; gets a project of its own */
    static void run(String address) throws IOException, InterruptedException {
        new IntakeRun(new RunningServer(address)).measure();
    }

    private void measure() throws IOException, InterruptedException {
        String project = RunningServer.number("id", server.post("/api/projects", "{\"name\":\"Bench\"}"));
        long start = System.nanoTime();
        String cut = RunningServer.number("cutId", server.upload(project, List.of("bench.edl"), List.of(edl())));
        row("the cut is read", start);
        server.get("/api/cuts/" + cut + "/intake");
        row("first useful view: shots, frames, remarks", start);
        List<String> names = new ArrayList<>();
        List<byte[]> pictures = new ArrayList<>();
        double longest = 0;
        long drawing = 0;
        for (int i = 0; i < SHOTS; i += BATCH) {
            long drawn = System.nanoTime();
            names.clear();
            pictures.clear();
            for (int n = i; n < i + BATCH; n++) {
                names.add(String.format("BD-%d.PNG", n));
                pictures.add(picture(n));
            }
            drawing += System.nanoTime() - drawn;
            long asked = System.nanoTime();
            server.upload(project, names, pictures);
            longest = Math.max(longest, (System.nanoTime() - asked) / 1e9);
        }
        row("all pictures are in, found and listed", start + drawing);
        System.out.printf(Locale.ROOT, "%-56s %8.2f s%n", "the longest wait for one hundred of them", longest);
        long seen = System.nanoTime();
        server.get("/api/cuts/" + cut + "/intake");
        row("the view with all of them", seen);
        long received = System.nanoTime();
        server.post("/api/cuts/" + cut + "/receive", "");
        row("received: shots, cameras, boards, master", received);
        while (!server.get("/api/projects/" + project + "/tasks").equals("[]")) {
            Thread.sleep(500);
        }
        row("all stand-in pictures are made, in the background", start + drawing);
    }

    private static void row(String what, long since) {
        System.out.printf(Locale.ROOT, "%-56s %8.2f s%n", what, (System.nanoTime() - since) / 1e9);
    }

    private static byte[] edl() {
        StringBuilder text = new StringBuilder("TITLE: BENCH\r\nFCM: NON-DROP FRAME\r\n");
        for (int i = 0; i < SHOTS; i++) {
            long at = 86_400 + i * 40L;
            text.append(String.format(Locale.ROOT, "%03d  AX V C %s %s %s %s\r\n* FROM CLIP NAME: bd_%04d.png\r\n", i + 1,
                    LongMaster.label(0), LongMaster.label(40), LongMaster.label(at), LongMaster.label(at + 40), i));
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] picture(int number) throws IOException {
        BufferedImage image = new BufferedImage(1280, 720, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(Color.HSBtoRGB(number * 0.618f, 0.4f, 0.6f)));
        g.fillRect(0, 0, 1280, 720);
        g.setColor(Color.WHITE);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 200));
        g.drawString("" + number, 300, 440);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }
}
