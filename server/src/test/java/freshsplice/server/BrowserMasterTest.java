package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Editing the master in a window, by keyboard and by mouse. */
class BrowserMasterTest extends InMaster {
    @Test
    @DisplayName("by keyboard: choose, split, slip, slide, trim, stretch, swap, take out, and all of it back")
    void keyboard() throws IOException {
        begin("Master by keys");
        String first = "sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001";
        becomes(first);
        goTo(150);
        keys("Enter", "s");
        becomes("sh0010:0-100@1001 sh0020:100-150@1001 sh0020:150-200@1051 sh0030:200-300@1001");
        keys("Control+z");
        becomes(first);
        keys(".", ".");
        becomes("sh0010:0-100@1001 sh0020:100-200@1003 sh0030:200-300@1001");
        keys(",", ",", ">");
        becomes("sh0010:0-101@1001 sh0020:101-201@1001 sh0030:201-300@1002");
        keys("Control+z", "Control+z", "Control+z", "Control+z", "Control+z");
        becomes(first);
        keys("]");
        becomes("sh0010:0-100@1001 sh0020:100-151@1001 sh0030:200-300@1001");
        assertThat(page.getByLabel("Chosen clips")).containsText("1001–1051, 51 frames");
        keys("e");
        becomes("sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001");
        assertThat(page.getByLabel("Chosen clips")).containsText("51 %");
        keys("g");
        type("Stretch to", "60");
        becomes("sh0010:0-100@1001 sh0020:100-160@1001 sh0030:160-260@1001");
        keys("w");
        becomes("sh0010:0-100@1001 sh0030:100-200@1001 sh0020:200-260@1001");
        keys("x");
        becomes("sh0010:0-100@1001 sh0030:100-200@1001");
        goTo(100);
        keys("n");
        type("A new shot of", "24");
        becomes("sh0010:0-100@1001 sh0021:100-124@1001 sh0030:124-224@1001");
        keys("Control+Shift+A");
        until(() -> laid().contains("200-300"));
    }

    @Test
    @DisplayName("by mouse: a clip is slipped and slid, a seam trimmed with the rest moving along, another window follows")
    void mouse() throws IOException {
        begin("Master by mouse");
        becomes("sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001");
        Page second = open();
        pull("Alt", 150, 140);
        becomes("sh0010:0-100@1001 sh0020:100-200@1011 sh0030:200-300@1001");
        pull("Control", 150, 157);
        becomes("sh0010:0-107@1001 sh0020:107-207@1011 sh0030:207-300@1008");
        // just before the seam is the tail of the clip there
        pull("Control", 106, 86);
        becomes("sh0010:0-87@1001 sh0020:87-187@1011 sh0030:187-280@1008");
        assertThat(second.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("differ")).first())
                .isVisible();
        page.mouse().click(at(140)[0], at(140)[1]);
        assertThat(page.getByLabel("Chosen clips")).containsText("sh0020 chosen");
        page.getByLabel("Chosen clips").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("extract"))
                .click();
        becomes("sh0010:0-87@1001 sh0030:87-180@1008");
        page.reload();
        // undo is offered by its name, also after a reload
        assertThat(page.getByTitle("Undo: Extract sh0020")).isEnabled();
        page.keyboard().press("Control+z");
        becomes("sh0010:0-87@1001 sh0020:87-187@1011 sh0030:187-280@1008");
        assertThat(client.get("/api/masters/" + master).get("clips")).hasSize(3);
        second.close();
    }

    @Test
    @DisplayName("an edit made while the first answer is under way, read before it, is seen all the same")
    void firstAnswerIsOld() throws IOException {
        begin("First answer");
        List<Route> asked = new ArrayList<>();
        page.route("**/api/masters/" + master + "/changes*", route -> {
            asked.add(route);
            if (asked.size() > 1) {
                route.resume();
            }
        });
        page.reload();
        page.waitForCondition(() -> !asked.isEmpty());
        APIResponse old = asked.get(0).fetch();
        page.waitForTimeout(500);
        client.post("/api/masters/" + master + "/seam", Map.of("at", 86_500, "frames", 5));
        page.waitForTimeout(500);
        asked.get(0).fulfill(new Route.FulfillOptions().setResponse(old));
        becomes("sh0010:0-105@1001 sh0020:105-200@1006 sh0030:200-300@1001");
    }

    @Test
    @DisplayName("an edit made between reading the master and hearing of edits is seen all the same")
    void caughtUp() throws IOException {
        begin("Caught up");
        List<Route> lines = new ArrayList<>();
        page.route(Pattern.compile("/live\\?master="), lines::add);
        page.reload();
        page.waitForCondition(() -> !lines.isEmpty());
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        client.post("/api/masters/" + master + "/seam", Map.of("at", 86_500, "frames", 5));
        lines.get(0).resume();
        becomes("sh0010:0-105@1001 sh0020:105-200@1006 sh0030:200-300@1001");
    }
}
