package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import freshsplice.core.camera.CameraPose;
import freshsplice.core.camera.CameraPose.Place;
import freshsplice.core.stage.Matrix;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Framing in a window: to a board, through viewpoints, held and kept, in two scenes. */
class BrowserFramingTest extends InMaster {
    private OnStage onStage;

    private long shot(int index) {
        return view().get("clips").get(index).get("shotId").asLong();
    }

    private JsonNode stage() {
        return onStage.stage(shot(0));
    }

    private void stageOf(String name) throws IOException {
        begin(name);
        onStage = new OnStage(client);
        view("Stage");
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
    }

    private static List<Double> placed(Place place) {
        return Arrays.stream(place.matrix().toDoubles()).boxed().toList();
    }

    private Place pose() {
        JsonNode pose = client.get("/api/shots/" + shot(0) + "/camera?frame=1001").get("pose");
        double[] v = Arrays.stream(new String[] {"x", "y", "z", "pan", "tilt", "roll"}).mapToDouble(c -> pose.get(c).asDouble()).toArray();
        return new Place(v[0], v[1], v[2], v[3], v[4], v[5]);
    }

    private byte[] picture(int index) {
        return client.send(client.to("/api/shots/" + shot(index) + "/picture?frame=1001")).body();
    }

    /** Drags in the camera's picture and waits until the server has it. */
    private void drag(double right, double down, String key) {
        if (Math.abs(right) < 1 && Math.abs(down) < 1) {
            return;
        }
        String before = view().get("seq").asString();
        BoundingBox frame = page.locator("[data-frame=delivery]").boundingBox();
        double x = Math.round(frame.x + frame.width / 2);
        double y = Math.round(frame.y + frame.height / 2);
        page.mouse().move(x, y);
        if (key != null) {
            page.keyboard().down(key);
        }
        page.mouse().down();
        page.mouse().move(x + Math.round(right / 2), y + Math.round(down / 2));
        page.mouse().move(x + Math.round(right), y + Math.round(down));
        page.mouse().up();
        if (key != null) {
            page.keyboard().up(key);
        }
        written(before);
    }

    private void written(String before) {
        waitUntil(() -> !before.equals(view().get("seq").asString()));
        page.waitForTimeout(250);
    }

    /** From an empty set and a camera that nobody touched: turned, tracked and brought nearer in its picture until both agree. */
    @Test
    @DisplayName("a shot is framed to its board by hand alone, in its picture, and its fixed camera stays fixed")
    void framedToItsBoard() throws IOException {
        stageOf("To the board");
        long scene = stage().get("sceneId").asLong();
        onStage.scene(scene, "ADD", Map.of("shape", "BLOCK", "x", 1.2, "y", 0, "z", -4, "turn", 20));
        onStage.scene(scene, "ADD", Map.of("shape", "TIDE_POLE", "x", -1, "y", 0, "z", -7, "turn", 0));
        Place wanted = new Place(0.8, 1.9, 3.1, -8, -4, 0);
        onStage.camera(shot(1), "FILM_FROM", Map.of("frame", 1001, "placed", placed(wanted), "keepAim", false));
        byte[] board = picture(1);
        long project = client.get("/api/masters/" + master).get("projectId").asLong();
        client.upload("/api/projects/" + project + "/files", Map.of("a.jpg", board));
        assertThat(page.locator("[data-frame=delivery] img")).isVisible();
        assertThat(page.getByText("board over 50 %")).isVisible();
        keys("v");
        assertThat(page.locator("[data-steering=true]")).isVisible();
        for (int round = 0; round < 4; round++) {
            Place now = pose();
            drag((wanted.pan() - now.pan()) / 0.12, (wanted.tilt() - now.tilt()) / 0.12, null);
            Matrix own = now.matrix().rigidInverse();
            double[] off = own.apply(wanted.x(), wanted.y(), wanted.z());
            drag(-off[0] / 0.0075, off[1] / 0.0075, "Shift");
            if (Math.abs(off[2]) > 0.02) {
                String before = view().get("seq").asString();
                page.mouse().wheel(0, off[2] / 0.006);
                written(before);
            }
        }
        Place found = pose();
        Assertions.assertThat(new double[] {found.x(), found.y(), found.z()}).containsExactly(
                new double[] {wanted.x(), wanted.y(), wanted.z()}, within(0.06));
        Assertions.assertThat(new double[] {found.pan(), found.tilt(), found.roll()}).containsExactly(
                new double[] {wanted.pan(), wanted.tilt(), wanted.roll()}, within(0.3));
        Assertions.assertThat(apart(board, picture(0))).as("grey levels between board and picture").isLessThan(4);
        stage().get("channels").forEach(keys -> Assertions.assertThat(keys).isEmpty());
    }

    private static double apart(byte[] one, byte[] other) throws IOException {
        BufferedImage a = ImageIO.read(new ByteArrayInputStream(one));
        BufferedImage b = ImageIO.read(new ByteArrayInputStream(other));
        double sum = 0;
        for (int y = 0; y < a.getHeight(); y++) {
            for (int x = 0; x < a.getWidth(); x++) {
                sum += Math.abs((a.getRGB(x, y) >> 8 & 0xFF) - (b.getRGB(x, y) >> 8 & 0xFF));
            }
        }
        return sum / a.getWidth() / a.getHeight();
    }

    @Test
    @DisplayName("five viewpoints kept on the way are a move that halts at its ends alone")
    void throughFiveViewpoints() throws IOException {
        stageOf("Five viewpoints");
        for (int i = 1; i <= 5; i++) {
            int count = i;
            keys("Shift+k");
            waitUntil(() -> stage().get("viewpoints").size() == count);
            keys("w", "w", i % 2 == 0 ? "d" : "a");
            page.waitForTimeout(150);
        }
        for (int i = 1; i <= 5; i++) {
            page.getByLabel("view " + i + " in the move").check();
        }
        keys("Control+Alt+v");
        waitUntil(() -> stage().get("channels").path("x").size() == 5);
        JsonNode speed = client.get("/api/shots/" + shot(0) + "/move").get("speed");
        long first = speed.get("first").asLong();
        JsonNode keys = stage().get("channels").get("z");
        for (int i = 1; i < 4; i++) {
            int at = (int) (keys.get(i).get("frame").asLong() - first);
            if (at + 1 < speed.get("metres").size()) {
                double before = speed.get("metres").get(at - 1).asDouble();
                double after = speed.get("metres").get(at + 1).asDouble();
                Assertions.assertThat(after).as("goes on at key %d", i).isGreaterThan(0.05).isCloseTo(before, within(before * 0.25));
            }
        }
    }

    @Test
    @DisplayName("a lens typed on a fixed camera is its lens throughout; on a moving one it can be held, and kept as a key from elsewhere")
    void typedAndHeld() throws IOException {
        stageOf("Typed");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Camera").setExact(true)).click();
        type("lens, mm", "85");
        waitUntil(() -> onStage.now(shot(0), 1090, "lens") == 85);
        Assertions.assertThat(stage().get("channels").path("lens")).isEmpty();
        keys("Escape", "k");
        waitUntil(() -> stage().get("channels").path("x").size() == 1);
        page.getByLabel("How far a change reaches").selectOption("HOLD");
        goTo(20);
        JsonNode before = stage();
        type("y, m", "4");
        assertThat(page.getByText("moved here, not kept")).isVisible();
        goTo(30);
        assertThat(page.getByText("was moved at 1021, not kept")).isVisible();
        Assertions.assertThat(stage()).as("nothing is written").isEqualTo(before);
        keys("Alt+k");
        waitUntil(() -> stage().get("channels").path("y").size() == 2);
        Assertions.assertThat(onStage.now(shot(0), 1021, "y")).isEqualTo(4);
        assertThat(page.getByText("not kept")).hasCount(0);
    }

    @Test
    @DisplayName("a shot moved to a new scene is filmed in that scene's set, and one render shows both")
    void twoScenes() throws IOException {
        stageOf("Two scenes");
        long scene = stage().get("sceneId").asLong();
        onStage.scene(scene, "ADD", Map.of("shape", "BLOCK", "colour", "#c03020", "size", List.of(8, 8, 1), "x", 0, "y", 0, "z", -2, "turn", 0));
        Place place = CameraPose.standing(new Place(0, 2, 5, 0, 0, 0), 35, 5).place();
        onStage.camera(shot(0), "FILM_FROM", Map.of("frame", 1001, "placed", placed(place), "keepAim", false));
        onStage.camera(shot(1), "FILM_FROM", Map.of("frame", 1001, "placed", placed(place), "keepAim", false));
        goTo(150);
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Camera").setExact(true)).click();
        page.getByLabel("Scene of this shot").selectOption("new");
        waitUntil(() -> view().get("clips").get(1).get("sceneId").asLong() != scene);
        view("Renders");
        page.getByLabel("the whole master").check();
        page.getByLabel("Size").fill("160 x 90");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Render the master")).click();
        long project = client.get("/api/masters/" + master).get("projectId").asLong();
        waitUntil(120, () -> client.get("/api/projects/" + project + "/renders").path(0).path("state").asString().equals("DONE"));
        long render = client.get("/api/projects/" + project + "/renders").get(0).get("id").asLong();
        Assertions.assertThat(red(render, 50)).as("the block of the first scene").isGreaterThan(0.5);
        Assertions.assertThat(red(render, 150)).as("the second scene has none").isLessThan(0.05);
    }

    /** Share of a render's frame that is as red as the block. */
    private double red(long render, long frame) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(client.send(client.to("/api/renders/" + render + "/picture?frame="
                + frame)).body()));
        double red = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int rgb = image.getRGB(x, y);
                red += (rgb >> 16 & 0xFF) > 2 * (rgb >> 8 & 0xFF) ? 1 : 0;
            }
        }
        return red / image.getWidth() / image.getHeight();
    }
}
