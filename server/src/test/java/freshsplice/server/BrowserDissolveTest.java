package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A dissolve of the cut: every picture mixes by the shares that the server counts. */
class BrowserDissolveTest extends InMaster {
    private static final String EDL = """
            TITLE: Dissolve
            FCM: NON-DROP FRAME
            001  ebb V C 00:00:00:00 00:00:02:00 01:00:00:00 01:00:02:00
            * FROM CLIP NAME: ebb.png
            002  ebb V C 00:00:02:00 00:00:02:00 01:00:02:00 01:00:02:00
            002  flood V D 012 00:00:00:00 00:00:02:00 01:00:02:00 01:00:04:00
            * FROM CLIP NAME: ebb.png
            * TO CLIP NAME: flood.png
            """;

    @Test
    @DisplayName("the cut, the camera and Review mix the outgoing and the incoming picture by the same share")
    void everyPictureMixes() throws IOException {
        master = Received.of(client, "Dissolving", Map.of("e.edl", EDL.getBytes(StandardCharsets.UTF_8),
                "ebb.png", Material.picture("ebb", 320, 180), "flood.png", Material.picture("flood", 320, 180))).master();
        JsonNode second = view().get("clips").get(1);
        JsonNode clip = client.cutClips(view()).get(1);
        Assertions.assertThat(clip.get("headWeights").toString()).isEqualTo(second.get("headWeights").toString());
        long from = second.get("seenIn").asLong() - 86_400;
        double share = second.get("headWeights").get(5).asDouble();
        page.reload();
        page.getByText("Dissolving").click();
        goTo(from + 5);
        String mixed = String.format(java.util.Locale.ROOT, "[data-share=\"%.3f\"]", share);
        assertThat(page.locator(mixed).first()).isVisible();
        assertThat(page.locator(mixed).locator("img")).hasCount(2);
        assertThat(page.getByText("sh0010 passes into sh0020, " + Math.round(share * 100) + " %")).isVisible();
        Assertions.assertThat(page.locator("[data-picture=camera]").count()).as("both cameras").isEqualTo(2);
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Review")).click();
        assertThat(page.locator(mixed).locator("img").first()).isVisible();
        Assertions.assertThat(List.of(page.locator(mixed).locator("img").count())).containsExactly(2);
    }

    @Test
    @DisplayName("Intake says of a mixed clip how many frames it has from cut to cut, as Conform counts, and how many more")
    void lengths() throws IOException {
        long project = client.post("/api/projects", Map.of("name", "Lengths")).get("id").asLong();
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", EDL.getBytes(StandardCharsets.UTF_8)))
                .get("cutId").asLong();
        JsonNode shot = client.get("/api/cuts/" + cut + "/intake").get("shots").get(0);
        client.post("/api/cuts/" + cut + "/receive", null);
        JsonNode clip = client.get("/api/masters/" + client.get("/api/projects/" + project).get("masterId").asLong())
                .get("clips").get(0);
        Assertions.assertThat(shot.get("cutFrames").asLong()).isEqualTo(clip.get("out").asLong() - clip.get("in").asLong());
        Assertions.assertThat(shot.get("out").asLong() - shot.get("in").asLong()).isGreaterThan(shot.get("cutFrames").asLong());
    }
}
