package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** Edits of a master of three clips of a hundred frames in a window, and what the server then has. */
abstract class InMaster extends InBrowser {
    static final List<Material.Clip> CLIPS = List.of(new Material.Clip("a", 0, 100),
            new Material.Clip("b", 0, 100), new Material.Clip("c", 0, 100));

    long master;

    void begin(String name) throws IOException {
        master = Received.of(client, name, CLIPS).master();
        page.reload();
        page.getByText(name, new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
    }

    String laid() {
        JsonNode clips = client.get("/api/masters/" + master).get("clips");
        return String.join(" ", StreamSupport.stream(clips.spliterator(), false).map(s -> s.get("code").asString()
                + ":" + (s.get("in").asLong() - 86_400) + "-" + (s.get("out").asLong() - 86_400) + "@"
                + s.get("shotFirst").asLong()).toList());
    }

    void becomes(String laid) {
        until(() -> laid().equals(laid));
    }

    /** Waits until it is so on the server and the window shows it: keys typed next are meant for what is shown. */
    void until(BooleanSupplier so) {
        waitUntil(() -> so.getAsBoolean() && (master + " " + view().get("seq").asString())
                .equals(page.locator("[data-picture=tracks]").getAttribute("data-shows")));
        page.waitForTimeout(100);
    }

    void goTo(long frame) {
        Locator field = page.getByLabel("Go to a timecode, or by frames");
        field.fill(String.format("01:00:%02d:%02d", frame / 24, frame % 24));
        field.press("Enter");
        // the server reads what was typed
        assertThat(page.getByText("record " + (frame + 1) + " of")).isVisible();
        page.waitForTimeout(100);
    }

    void keys(String... keys) {
        for (String key : keys) {
            page.keyboard().press(key);
        }
    }

    void type(String label, String value) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        field.fill(value);
        field.press("Enter");
    }

    JsonNode view() {
        return client.get("/api/masters/" + master);
    }

    /** Where a record frame stands in the track of shots while the whole master is shown. */
    double[] at(double frame) {
        JsonNode view = client.get("/api/masters/" + master);
        double start = view.get("start").asLong();
        double span = view.get("end").asLong() - start;
        BoundingBox box = page.locator("[data-picture=tracks]").boundingBox();
        double left = 116;
        double x = box.x + left + (86_400 + frame - start) / span * (box.width - left - 16);
        return new double[] {x, box.y + box.height * 0.42};
    }

    void pull(String key, double from, double to) {
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
