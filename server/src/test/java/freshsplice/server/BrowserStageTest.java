package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Stage in a window: keys mean what is chosen. */
class BrowserStageTest extends InMaster {
    private JsonNode stage() {
        return client.get("/api/shots/" + view().get("sections").get(0).get("shotId").asLong() + "/stage");
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
        page.waitForCondition(() -> keys() == 1);
        org.assertj.core.api.Assertions.assertThat(stage().get("channels").path("x")).as("the camera's keys").isEmpty();
        keys("Alt+ArrowRight");
        page.waitForCondition(() -> {
            JsonNode items = stage().get("items");
            return items.get(items.size() - 1).get("channels").path("x").path(0).path("frame").asLong() == 1;
        });
        assertThat(page.getByText("record 2 of")).isVisible();
        keys("Delete");
        page.waitForCondition(() -> keys() == 0);
        keys("Escape");
        assertThat(page.getByText("K keys it")).hasCount(0);
        keys("k");
        page.waitForCondition(() -> stage().get("channels").path("x").size() == 1);
    }

    @Test
    @DisplayName("Conform's headers tell shot frame, lens and focus of the frame that is seen, at half speed too")
    void headersOfTheFrame() throws IOException {
        begin("Headers");
        JsonNode piece = view().get("sections").get(1);
        long shot = piece.get("shotId").asLong();
        long first = piece.get("shotFirst").asLong();
        OnStage onStage = new OnStage(client);
        onStage.set(shot, first, Map.of("lens", 20));
        onStage.camera(shot, "KEY", Map.of("frame", first, "channels", List.of("lens"), "easing", "STRAIGHT"));
        onStage.camera(shot, "SET", Map.of("frame", first + 50, "values", Map.of("lens", 80), "easing", "STRAIGHT"));
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "SPEED", "sections", List.of(piece.get("id").asLong()),
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
