package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A sequence of sixty clips from nothing: cut, retimed, nested, and brought into agreement with a cut it did not come from. */
class BrowserSixtyTest extends InMaster {
    /** Fifty-nine events of other clips and other lengths. */
    private static byte[] foreignCut() {
        StringBuilder edl = new StringBuilder("TITLE: FOREIGN\nFCM: NON-DROP FRAME\n");
        long at = 86_400;
        for (int i = 0; i < 59; i++) {
            long length = 24 + i * 37 % 50;
            edl.append(String.format("%03d  AX V C %s %s %s %s%n* FROM CLIP NAME: bd_%03d.png%n", i + 1, label(0), label(length),
                    label(at), label(at + length), i));
            at += length;
        }
        return edl.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String label(long f) {
        return String.format("%02d:%02d:%02d:%02d", f / 86_400, f / 1440 % 60, f / 24 % 60, f % 24);
    }

    @Test
    @DisplayName("sixty empty shots are cut, retimed and nested by keys, held against a foreign cut, and made as it is in one stroke")
    void sixty() throws IOException {
        newProject("Sixty clips");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Conform")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin without a cut")).click();
        page.getByLabel("Name of a new master").fill("Reel 1");
        page.getByLabel("How many empty shots").fill("60");
        page.getByLabel("Frames of each shot").fill("40");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin").setExact(true)).click();
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        assertThat(page.getByText("Held against no cut.")).isVisible();
        long project = project("Sixty clips");
        master = client.get("/api/projects/" + project).get("masterId").asLong();
        assertThat(view().get("clips")).hasSize(60);

        // an action ends early: pulled back to the good frame, then stretched to close the gap
        goTo(29);
        keys("Enter", "]");
        until(() -> view().get("clips").get(0).get("out").asLong() == 86_430);
        keys("e");
        until(() -> view().get("clips").get(0).get("speed").asString().equals("3/4"));
        assertThat(page.getByLabel("Chosen clips")).containsText("30 → 40 frames, 75 %");
        // three clips become a scene of their own, by mouse
        page.mouse().click(at(420)[0], at(420)[1]);
        page.keyboard().down("Shift");
        page.mouse().click(at(500)[0], at(500)[1]);
        page.keyboard().up("Shift");
        assertThat(page.getByLabel("Chosen clips")).containsText("3 clips, 120 frames");
        keys("Control+g");
        type("A master of these clips, called", "Scene 12");
        until(() -> view().get("clips").get(11).has("nest"));

        long cut = client.upload("/api/projects/" + project + "/files", Map.of("foreign.edl", foreignCut())).get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        page.keyboard().press("Control+m");
        page.getByLabel("Held against").selectOption(Long.toString(cut));
        until(() -> view().get("counts").get("offsetSeams").asInt() > 50);
        page.keyboard().press("Escape");
        assertThat(page.getByLabel("Held against")).not().isVisible();
        assertThat(page.locator("header")).containsText("59 seams differ");
        JsonNode before = view().get("clips");
        keys("Control+Shift+a");
        until(() -> view().get("counts").get("offsetSeams").asInt() == 0);
        assertThat(view().get("clips")).hasSize(59);
        JsonNode clips = client.cutClips(view());
        for (int i = 0; i < 59; i++) {
            assertThat(view().get("clips").get(i).get("in")).isEqualTo(clips.get(i).get("in"));
        }
        assertThat(page.locator("header")).containsText("0 seams differ");
        keys("Control+z");
        until(() -> view().get("clips").equals(before));
    }

    private long project(String name) {
        for (JsonNode project : client.get("/api/projects")) {
            if (project.get("name").asString().equals(name)) {
                return project.get("id").asLong();
            }
        }
        throw new AssertionError("No project " + name);
    }
}
