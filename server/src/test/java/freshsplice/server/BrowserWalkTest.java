package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** The whole walk, from a cut to shots, to a movie, to a cut again. */
class BrowserWalkTest extends InBrowser {
    @TempDir
    Path folder;

    private static Locator count(Page window, String text) {
        return window.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(text).setExact(true));
    }

    private JsonNode sequence(String name) {
        for (JsonNode project : client.get("/api/projects")) {
            if (project.get("name").asString().equals(name)) {
                JsonNode view = client.get("/api/projects/" + project.get("id").asLong());
                return client.get("/api/masters/" + view.get("masterId").asLong());
            }
        }
        throw new AssertionError("no project " + name);
    }

    @Test
    void aCutBecomesShotsTheShotsAMovieTheMovieACutAgain() throws IOException {
        List<Material.Clip> clips = Material.clips(5);
        newProject("Walk");
        assertThat(page.getByText("Drop a cut here")).isVisible();
        drop(page, file("walk.edl", Material.edl("Walk", clips)), file("Panel-1.PNG", Material.picture("1", 320, 180)),
                file("panel 2.jpg.png", Material.picture("2", 320, 180)), file("tone.wav", Material.tone(6)));
        assertThat(page.getByText("What will be made", new Page.GetByTextOptions().setExact(true))).isVisible();
        assertThat(page.getByText("by name, ending left aside").first()).isVisible();
        assertThat(page.getByText("No picture given fits this name").first()).isVisible();
        assertThat(page.getByText("1 sound track")).isVisible();
        button("Receive this cut").click();
        assertThat(count(page, "5 shots")).isVisible();

        Page second = open();
        assertThat(count(second, "0 seams differ")).isVisible();
        // one lands at the first shot, its board at half over an empty set
        assertThat(page.locator("[data-frame=delivery] img")).hasCSS("opacity", "0.5");
        view("Conform");
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("+");
        page.keyboard().type("3");
        page.keyboard().press("Enter");
        assertThat(count(page, "1 seam differs")).isVisible();
        assertThat(count(second, "1 seam differs")).isVisible();
        assertThat(sequence("Walk").get("seams").get(2).get("cutOffset").asLong()).isEqualTo(3);
        page.keyboard().press("Control+z");
        assertThat(count(second, "0 seams differ")).isVisible();
        second.close();

        stage();
        render();
        review();
        turnover(clips);
    }

    private void stage() {
        page.keyboard().press("Home");
        view("Stage");
        assertThat(page.getByText("Scout view", new Page.GetByTextOptions().setExact(true))).isVisible();
        away();
        byte[] before = settled("camera");
        Locator scout = page.locator("[data-picture=scout]");
        scout.hover();
        page.mouse().down();
        page.mouse().move(900, 200);
        page.mouse().up();
        away();
        assertThat(settled("camera")).as("moving the scout view moves no camera").isEqualTo(before);
        button("Film from here").click();
        waitUntil(() -> !java.util.Arrays.equals(picture("camera"), before));
        Locator lens = page.getByLabel("lens, mm");
        lens.fill("85");
        lens.press("Enter");
        assertThat(page.getByText("· 85 mm ·")).isVisible();
    }

    /** The pointer over no picture: what is under it is marked in all of them. */
    private void away() {
        page.mouse().move(640, 20);
    }

    /** What will be rendered of a picture in Stage, without the lines that are drawn over it. */
    private byte[] picture(String kind) {
        // a picture that stands is drawn once more, finely
        page.locator("[data-picture=" + kind + "][data-drawn=whole]").first().waitFor();
        BoundingBox frame = page.locator("[data-frame=delivery]").first().boundingBox();
        return page.screenshot(new Page.ScreenshotOptions().setClip(frame.x, frame.y, frame.width, frame.height)
                .setStyle("[data-frame] { visibility: hidden; box-shadow: none !important }"));
    }

    /** A picture once it stays as it is: what lies over it may come later than the picture. */
    private byte[] settled(String kind) {
        byte[][] seen = {picture(kind)};
        waitUntil(() -> {
            page.waitForTimeout(400);
            byte[] last = seen[0];
            seen[0] = picture(kind);
            return java.util.Arrays.equals(last, seen[0]);
        });
        return seen[0];
    }

    private void render() {
        view("Renders");
        page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).fill("640 x 360");
        button("Render sh0010").click();
        assertThat(page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("sh0010_v001"))
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("\\d (MB|kB)")))).isVisible();
        assertThat(page.locator("video")).hasJSProperty("videoWidth", 640);
    }

    private void review() {
        view("Review");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("wiped")).click();
        assertThat(page.getByLabel("Where the wipe stands")).isVisible();
        assertThat(page.locator("video")).hasJSProperty("videoWidth", 640);
        page.getByLabel("Left picture").selectOption("camera");
        assertThat(page.locator("[data-picture=camera]")).isVisible();
    }

    private void turnover(List<Material.Clip> clips) throws IOException {
        view("Turnover");
        Download list = page.waitForDownload(() -> page.getByText("Save list").click());
        Path saved = folder.resolve("back.edl");
        list.saveAs(saved);
        assertThat(Files.readString(saved)).contains("sh0010_v001");
        view("Intake");
        drop(page, file("back.edl", Files.readAllBytes(saved)));
        button("Receive this cut").click();
        assertThat(page.getByText("No changes: our master is this cut, frame by frame.")).isVisible();

        List<Material.Clip> next = new ArrayList<>(clips);
        next.set(1, new Material.Clip(clips.get(1).name(), clips.get(1).from(), clips.get(1).length() - 5));
        next.remove(3);
        view("Intake");
        drop(page, file("walk_2.edl", Material.edl("Walk", next)));
        assertThat(page.getByText("it is compared with our master in Turnover")).isVisible();
        // these words stand over the cut of before too: the newer one has no such clip
        assertThat(page.getByText("panel 4").first()).isHidden();
        button("Receive this cut").click();
        assertThat(page.getByText("tail −5").first()).isVisible();
        assertThat(page.getByText("omitted").first()).isVisible();
        // a change is left and taken by mouse: Enter still applies what is taken
        Locator taken = page.getByRole(AriaRole.CHECKBOX).first();
        taken.uncheck();
        assertThat(button("Apply 1 change")).isVisible();
        taken.check();
        assertThat(button("Apply 2 changes")).isVisible();
        page.keyboard().press("Enter");
        assertThat(page.getByText("No changes: our master is this cut, frame by frame.")).isVisible();
        assertThat(count(page, "4 shots")).isVisible();
        page.reload();
        assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Turnover"))).hasAttribute(
                "aria-selected", "true");
    }

    @Test
    void everythingCanBeFoundAndDoneByKeyboard() {
        newProject("Keys");
        drop(page, file("keys.edl", Material.edl("Keys", Material.clips(3))));
        assertThat(page.getByText("What will be made", new Page.GetByTextOptions().setExact(true))).isVisible();
        page.keyboard().press("Control+Enter");
        assertThat(count(page, "3 shots")).isVisible();
        page.keyboard().press("2");
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        page.keyboard().press("Control+k");
        page.keyboard().type("differs");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(1);
        page.keyboard().press("Escape");
        page.keyboard().press("End");
        assertThat(page.getByText("record 81 of 81")).isVisible();
        page.keyboard().press("t");
        assertThat(page.getByLabel("Go to a timecode, or by frames")).hasValue("81");
        page.keyboard().press("3");
        assertThat(page.getByText("Scout view", new Page.GetByTextOptions().setExact(true))).isVisible();
    }

    /** Where known points land, to a pixel; what they look like, to a small mean difference. */
    @Test
    void theWindowAndTheRenderShowTheSamePicture() throws Exception {
        newProject("Same");
        drop(page, file("same.edl", Material.edl("Same", List.of(new Material.Clip("a", 1000, 4)))));
        button("Receive this cut").click();
        assertThat(count(page, "1 shot")).isVisible();
        JsonNode clip = sequence("Same").get("clips").get(0);
        long shot = clip.get("shotId").asLong();
        new OnStage(client).set(shot, 1001, Map.of("x", 1.5, "y", 1.8, "z", 6,
                "pan", 12, "tilt", -9, "lens", 32));
        view("Stage");
        page.locator("[data-picture=camera]").first().waitFor();
        page.waitForTimeout(1500);
        BufferedImage window = ImageIO.read(new ByteArrayInputStream(picture("camera")));
        int w = window.getWidth() / 2 * 2;
        int h = window.getHeight() / 2 * 2;
        long project = sequence("Same").get("projectId").asLong();
        long render = client.post("/api/projects/" + project + "/renders", Map.of("shotIds", List.of(shot), "master",
                false, "width", w, "height", h, "burnIn", false, "blur", false)).get(0).asLong();
        BufferedImage file = firstFrame(render);
        double difference = 0;
        int farOff = 0;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int off = off(window.getRGB(x, y), file.getRGB(x, y));
                difference += off / 3.0;
                // an edge may fall on the neighbouring pixel, not further
                farOff += off > 150 && !near(window.getRGB(x, y), file, x, y) ? 1 : 0;
            }
        }
        assertThat(difference / (w * h)).as("mean difference of 255").isLessThan(2.5);
        assertThat(farOff).as("pixels that are nowhere near").isLessThan(w * h / 2000);
    }

    private BufferedImage firstFrame(long render) throws Exception {
        Path movie = folder.resolve("m.mp4");
        for (int i = 0; i < 600 && !Files.exists(movie); i++) {
            var answer = client.send(client.to("/api/renders/" + render + "/movie"));
            if (answer.statusCode() == 200) {
                Files.write(movie, answer.body());
            }
            Thread.sleep(100);
        }
        Path png = folder.resolve("m.png");
        new ProcessBuilder("ffmpeg", "-v", "error", "-i", movie.toString(), "-frames:v", "1", png.toString()).start()
                .waitFor();
        return ImageIO.read(png.toFile());
    }

    private static boolean near(int colour, BufferedImage image, int x, int y) {
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int nx = Math.max(0, Math.min(image.getWidth() - 1, x + dx));
                int ny = Math.max(0, Math.min(image.getHeight() - 1, y + dy));
                if (off(colour, image.getRGB(nx, ny)) <= 150) {
                    return true;
                }
            }
        }
        return false;
    }

    private static int off(int a, int b) {
        return Math.abs((a >> 16 & 255) - (b >> 16 & 255)) + Math.abs((a >> 8 & 255) - (b >> 8 & 255))
                + Math.abs((a & 255) - (b & 255));
    }
}
