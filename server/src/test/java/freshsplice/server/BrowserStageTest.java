package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Stage in a window: keys mean what is chosen. */
class BrowserStageTest extends InMaster {
    private JsonNode stage() {
        return client.get("/api/shots/" + view().get("clips").get(0).get("shotId").asLong() + "/stage");
    }

    private int keys() {
        JsonNode items = stage().get("items");
        return items.get(items.size() - 1).get("channels").path("x").size();
    }

    @Test
    @DisplayName("a new thing is chosen; K keys it and not the camera, Alt and an arrow moves its key, Delete takes it away")
    void keysOfAThing() throws IOException {
        begin("Keys of things");
        view("Stage");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Things")).click();
        page.getByLabel("Put a thing in the set").selectOption("BOAT");
        assertThat(page.getByLabel("Name of the thing")).hasValue("boat");
        assertThat(page.getByText("boat · K keys it")).isVisible();
        keys("k");
        waitUntil(() -> keys() == 1);
        org.assertj.core.api.Assertions.assertThat(stage().get("channels").path("x")).as("the camera's keys").isEmpty();
        keys("Alt+ArrowRight");
        waitUntil(() -> {
            JsonNode items = stage().get("items");
            return items.get(items.size() - 1).get("channels").path("x").path(0).path("frame").asLong() == 1;
        });
        assertThat(page.getByText("record 2 of")).isVisible();
        keys("Delete");
        waitUntil(() -> keys() == 0);
        keys("Escape");
        assertThat(page.getByText("K keys it")).hasCount(0);
        keys("k");
        waitUntil(() -> stage().get("channels").path("x").size() == 1);
    }

    private double atOrigin(String channel) {
        JsonNode items = stage().get("items");
        return client.get("/api/items/" + items.get(items.size() - 1).get("id").asLong() + "/at?frame=0").get(channel).asDouble();
    }

    private double pan() {
        return new OnStage(client).now(view().get("clips").get(0).get("shotId").asLong(), 1001, "pan");
    }

    /** Moves the pointer into the camera's picture. @param x shares of the delivery frame from its middle; as y, downwards */
    private void point(double x, double y) {
        BoundingBox frame = page.locator("[data-frame=delivery]").boundingBox();
        page.mouse().move(frame.x + frame.width * (0.5 + x), frame.y + frame.height * (0.5 + y));
    }

    @Test
    @DisplayName("what is under the pointer is named, a press chooses it, a drag slides it along the ground, and one undo takes it back")
    void draggedInThePicture() throws IOException {
        begin("Hands on things");
        view("Stage");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Things")).click();
        page.getByLabel("Put a thing in the set").selectOption("BLOCK");
        assertThat(page.getByLabel("Name of the thing")).hasValue("block");
        keys("Escape");
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
        // five metres ahead and as high as to a fifth of the frame under its middle
        point(0.01, 0.36);
        point(0, 0.37);
        assertThat(page.locator("[data-named=camera]")).containsText("block, 4.");
        page.mouse().down();
        page.mouse().up();
        assertThat(page.getByLabel("Name of the thing")).hasValue("block");
        page.mouse().down();
        point(0.05, 0.37);
        point(0.12, 0.37);
        page.mouse().up();
        waitUntil(() -> atOrigin("x") > 0.2);
        org.assertj.core.api.Assertions.assertThat(atOrigin("y")).as("it stays on the ground").isZero();
        keys("Control+z");
        waitUntil(() -> atOrigin("x") == 0);
    }

    @Test
    @DisplayName("a thing stands in the picture where its keys have it at every frame that is shown")
    void movesWithTheFrames() throws IOException {
        begin("Things in time");
        JsonNode stage = stage();
        long scene = stage.get("sceneId").asLong();
        OnStage onStage = new OnStage(client);
        long block = onStage.scene(scene, "ADD", Map.of("shape", "BLOCK", "x", -1.2, "y", 0, "z", 0, "turn", 0)).get(0).asLong();
        long action = stage.get("first").asLong() + stage.get("actionOffset").asLong();
        onStage.scene(scene, "KEY", Map.of("frame", action, "items", List.of(block)));
        onStage.place(scene, block, action + 60, Map.of("x", 1.2), "STRAIGHT");
        view("Stage");
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
        named(-0.33, true);
        named(0.33, false);
        goTo(60);
        named(0.33, true);
        named(-0.33, false);
        goTo(30);
        named(0, true);
        keys("Home");
        named(-0.33, true);
    }

    /** Whether the block is what is under the pointer there. @param x share of the frame from its middle */
    private void named(double x, boolean block) {
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
        waitUntil(() -> {
            point(x - 0.01, 0.3);
            point(x, 0.31);
            page.waitForTimeout(150);
            Locator name = page.locator("[data-named=camera]");
            return (name.count() > 0 && name.textContent().startsWith("block")) == block;
        });
    }

    @Test
    @DisplayName("steering is entered on purpose, one gesture is one step, and a locked camera lets nobody in")
    void steered() throws IOException {
        begin("Steering");
        view("Stage");
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
        point(0, 0);
        page.mouse().down();
        point(0.3, 0);
        page.mouse().up();
        org.assertj.core.api.Assertions.assertThat(pan()).as("outside of it nothing moves the camera").isZero();
        keys("v");
        assertThat(page.locator("[data-steering=true]")).isVisible();
        point(0, 0);
        page.mouse().down();
        point(0.1, 0);
        point(0.2, 0.05);
        point(0.3, 0.1);
        page.mouse().up();
        waitUntil(() -> pan() > 5);
        org.assertj.core.api.Assertions.assertThat(stage().get("channels").path("pan")).as("a fixed camera stays fixed").isEmpty();
        keys("Control+z");
        waitUntil(() -> pan() == 0);
        keys("Escape");
        assertThat(page.locator("[data-steering=true]")).hasCount(0);
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Camera").setExact(true)).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Lock").setExact(true)).click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Locked"))).isVisible();
        keys("v");
        assertThat(page.getByText("is locked because it is finished")).isVisible();
        assertThat(page.locator("[data-steering=true]")).hasCount(0);
    }

    @Test
    @DisplayName("Conform's headers tell shot frame, lens and focus of the frame that is seen, at half speed too")
    void headersOfTheFrame() throws IOException {
        begin("Headers");
        JsonNode clip = view().get("clips").get(1);
        long shot = clip.get("shotId").asLong();
        long first = clip.get("shotFirst").asLong();
        OnStage onStage = new OnStage(client);
        onStage.set(shot, first, Map.of("lens", 20));
        onStage.camera(shot, "KEY", Map.of("frame", first, "channels", List.of("lens"), "easing", "STRAIGHT"));
        onStage.camera(shot, "SET", Map.of("frame", first + 50, "values", Map.of("lens", 80), "easing", "STRAIGHT"));
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SPEED", "clips", List.of(clip.get("id").asLong()),
                "speed", "1/2"));
        Locator camera = page.locator("figure", new Page.LocatorOptions().setHas(page.getByText("Camera",
                new Page.GetByTextOptions().setExact(true)))).locator("figcaption");
        goTo(140);
        assertThat(camera).containsText("44 mm");
        assertThat(camera).containsText(String.valueOf(first + 20));
        goTo(190);
        assertThat(camera).containsText("74 mm");
        assertThat(camera).containsText(String.valueOf(first + 45));
    }
}
