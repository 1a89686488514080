package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A master edited by mouse and by keyboard, with two windows at once. */
class BrowserMasterTest extends InBrowser {
    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 100),
            new Material.Clip("b", 0, 100), new Material.Clip("c", 0, 100));

    private long master;

    private void begin(String name) throws IOException {
        long project = client.post("/api/projects", Map.of("name", name)).get("id").asLong();
        long cut = client.upload("/api/projects/" + project + "/files", Map.of("e.edl", Material.edl(name, CLIPS)))
                .get("cutId").asLong();
        client.post("/api/cuts/" + cut + "/rate?rate=24", null);
        client.post("/api/cuts/" + cut + "/receive", null);
        master = client.get("/api/projects/" + project).get("masterId").asLong();
        page.reload();
        page.getByText(name, new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("[data-picture=lanes]")).isVisible();
    }

    private String laid() {
        JsonNode sections = client.get("/api/masters/" + master).get("sections");
        return String.join(" ", StreamSupport.stream(sections.spliterator(), false).map(s -> s.get("code").asString()
                + ":" + (s.get("in").asLong() - 86_400) + "-" + (s.get("out").asLong() - 86_400) + "@"
                + s.get("shotFirst").asLong()).toList());
    }

    private void becomes(String laid) {
        page.waitForCondition(() -> laid().equals(laid));
        // the window follows the server; keys typed next are meant for what it shows
        page.waitForTimeout(400);
    }

    private void goTo(long frame) {
        Locator field = page.getByLabel("Go to a timecode, or by frames");
        field.fill(String.format("01:00:%02d:%02d", frame / 24, frame % 24));
        field.press("Enter");
        page.waitForTimeout(200);
    }

    private void keys(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    private void type(String label, String value) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        field.fill(value);
        field.press("Enter");
    }

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
        assertThat(page.getByLabel("Chosen pieces")).containsText("1001–1051, 51 frames");
        keys("e");
        becomes("sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001");
        assertThat(page.getByLabel("Chosen pieces")).containsText("51 %");
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
        page.waitForCondition(() -> laid().contains("200-300"));
    }

    @Test
    @DisplayName("by mouse: a piece is slipped and slid, a seam trimmed with the rest moving along, another window follows")
    void mouse() throws IOException {
        begin("Master by mouse");
        becomes("sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001");
        Page second = open();
        pull("Alt", 150, 140);
        becomes("sh0010:0-100@1001 sh0020:100-200@1011 sh0030:200-300@1001");
        pull("Control", 150, 157);
        becomes("sh0010:0-107@1001 sh0020:107-207@1011 sh0030:207-300@1008");
        // just before the seam is the tail of the piece there
        pull("Control", 106, 86);
        becomes("sh0010:0-87@1001 sh0020:87-187@1011 sh0030:187-280@1008");
        assertThat(second.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("bent")).first())
                .isVisible();
        page.mouse().click(at(140)[0], at(140)[1]);
        assertThat(page.getByLabel("Chosen pieces")).containsText("sh0020 chosen");
        page.getByLabel("Chosen pieces").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("take out"))
                .click();
        becomes("sh0010:0-87@1001 sh0030:87-180@1008");
        page.reload();
        // undo is offered by its name, also after a reload
        assertThat(page.getByTitle("Undo: Take out sh0020")).isEnabled();
        page.keyboard().press("Control+z");
        becomes("sh0010:0-87@1001 sh0020:87-187@1011 sh0030:187-280@1008");
        assertThat(client.get("/api/masters/" + master).get("sections")).hasSize(3);
        second.close();
    }

    /** Where a record frame stands in the lane of shots while the whole master is shown. */
    private double[] at(double frame) {
        JsonNode view = client.get("/api/masters/" + master);
        double start = view.get("start").asLong();
        double span = view.get("end").asLong() - start;
        BoundingBox box = page.locator("[data-picture=lanes]").boundingBox();
        double left = 116;
        double x = box.x + left + (86_400 + frame - start) / span * (box.width - left - 16);
        return new double[] {x, box.y + box.height * 0.42};
    }

    private void pull(String key, double from, double to) {
        page.keyboard().press("h");
        page.waitForTimeout(300);
        double[] a = at(from);
        double[] b = at(to);
        page.mouse().move(a[0], a[1]);
        page.keyboard().down(key);
        page.mouse().down();
        page.mouse().move((a[0] + b[0]) / 2, a[1]);
        page.mouse().move(b[0], a[1]);
        page.mouse().up();
        page.keyboard().up(key);
    }
}
