package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.io.IOException;
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
        page.getByLabel("Put a thing in the set").selectOption("BOAT");
        assertThat(page.getByText("stands still")).isVisible();
        assertThat(page.getByText("boat · K keys it")).isVisible();
        keys("k");
        page.waitForCondition(() -> keys() == 1);
        assertThat(page.getByText(", moves")).isVisible();
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
        page.waitForCondition(() -> !stage().get("channels").path("x").isEmpty());
    }
}
