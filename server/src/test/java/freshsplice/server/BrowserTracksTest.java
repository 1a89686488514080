package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Tracks, nests, copies, markers, sound and cameras by number in a window, by keyboard and by mouse. */
class BrowserTracksTest extends InMaster {
    private static final String THREE = "sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001";

    @Test
    @DisplayName("the copy on the track above is chosen, and a choice that a colleague took away means no other clip")
    void whatIsChosen() throws IOException {
        begin("Chosen");
        goTo(150);
        keys("Enter", "Alt+ArrowUp");
        until(() -> view().get("upper").size() == 1);
        keys("Alt+[");
        until(() -> view().get("upper").get(0).get("clips").get(0).get("out").asLong() == 86_400 + 199);
        org.assertj.core.api.Assertions.assertThat(laid()).as("the hidden one stays").startsWith("sh0010:0-100@1001 sh0020:100-200@1001");
        long copy = view().get("upper").get(0).get("clips").get(0).get("id").asLong();
        client.post("/api/masters/" + master + "/edits", java.util.Map.of("kind", "LIFT", "clips", List.of(copy)));
        assertThat(page.getByText("what was chosen is not there any more")).isVisible();
        String before = laid();
        keys("Delete", "s", ",");
        page.waitForTimeout(600);
        org.assertj.core.api.Assertions.assertThat(laid()).isEqualTo(before);
        keys("Escape");
        assertThat(page.getByText("what was chosen is not there any more")).hasCount(0);
    }

    @Test
    @DisplayName("chosen track and range of one project are unknown in the next, after a reload too")
    void nothingLeaks() throws IOException {
        begin("Leaky one");
        goTo(20);
        keys("i");
        goTo(60);
        keys("o");
        page.getByTitle("Track Shots").focus();
        page.getByTitle("Another project").click();
        Received other = Received.of(client, "Leaky two", CLIPS);
        page.reload();
        page.getByText("Leaky two", new com.microsoft.playwright.Page.GetByTextOptions().setExact(true)).click();
        master = other.master();
        goTo(100);
        keys("Shift+X");
        page.waitForTimeout(500);
        org.assertj.core.api.Assertions.assertThat(laid()).isEqualTo("sh0010:0-100@1001 sh0020:100-200@1001 sh0030:200-300@1001");
        keys("n");
        type("A new shot of", "10");
        until(() -> view().get("clips").size() == 4);
    }

    @Test
    @DisplayName("the field for going somewhere reads what the ruler shows, or says what it could not read")
    void goesInTheUnitShown() throws IOException {
        begin("Units");
        type("Go to a timecode, or by frames", "2:00");
        assertThat(page.getByText("record 49 of")).isVisible();
        keys("t");
        type("Go to a timecode, or by frames", "150");
        assertThat(page.getByText("record 150 of")).isVisible();
        keys("t");
        type("Go to a timecode, or by frames", "2.5");
        assertThat(page.getByText("record 61 of")).isVisible();
        type("Go to a timecode, or by frames", "half");
        assertThat(page.getByText("\"half\" is no position")).isVisible();
        keys("Escape", "-", "5");
        assertThat(page.getByText("Choose a seam first")).isVisible();
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        keys("ArrowDown", "-");
        type("Move this seam by", "+1:00");
        until(() -> laid().startsWith("sh0010:0-124@1001"));
    }

    @Test
    @DisplayName("by keyboard: tried above, laid down, nested, opened, out again, copied, put in, keyed, marked, a range taken out")
    void keyboard() throws IOException {
        begin("Tracks by keys");
        becomes(THREE);
        goTo(150);
        keys("Enter", "Alt+ArrowUp");
        until(() -> view().get("upper").size() == 1);
        keys("Escape", ".", ".", "Alt+ArrowDown");
        becomes("sh0010:0-100@1001 sh0020:100-200@1003 sh0030:200-300@1001");
        // the main track is as it was after one of them: the track above tells when all are done
        keys("Control+z", "Control+z", "Control+z", "Control+z");
        until(() -> view().get("upper").isEmpty());
        becomes(THREE);
        // two clips become a master, which is opened and left again
        keys("Escape", "Control+a", "Control+g");
        type("A master of these clips, called", "The tide");
        until(() -> view().get("clips").get(0).has("nest"));
        becomes(THREE);
        keys("Control+Enter");
        assertThat(page.getByTitle("Masters, Ctrl M")).containsText("The tide");
        assertThat(page.getByLabel("Go to a timecode, or by frames")).hasValue("01:00:06:06");
        keys("Control+Backspace");
        assertThat(page.getByTitle("Masters, Ctrl M")).containsText("Tracks by keys");
        becomes(THREE);
        keys("Enter", "Control+Shift+g");
        until(() -> !view().get("clips").get(0).has("nest"));
        // copied and put in between, then something over
        keys("Escape", "Enter", "Control+c");
        goTo(0);
        keys("Control+v");
        becomes("sh0020:0-100@1001 sh0010:100-200@1001 sh0020:200-300@1001 sh0030:300-400@1001");
        keys("Control+z", "Alt+n");
        page.getByLabel("What it shows").selectOption("slate");
        page.getByLabel("Words on the slate").fill("Gulls to come");
        page.getByLabel("Words on the slate").press("Enter");
        until(() -> view().get("clips").get(0).get("code").asString().equals("Gulls to come"));
        keys("Control+z");
        until(() -> view().get("clips").size() == 3);
        // a key of the speed, ten frames later
        goTo(150);
        keys("Escape", "Shift+k");
        until(() -> view().get("clips").get(1).get("keys").size() == 3);
        keys("Alt+;");
        type("At the key, later by", "10");
        until(() -> view().get("clips").get(1).get("shotFrames").size() == 100
                && view().get("clips").get(1).get("shotFrames").get(50).asLong() == 1061);
        assertThat(page.getByLabel("Chosen clips")).containsText("%");
        keys("Shift+m");
        type("Marker", "hold");
        until(() -> view().get("markers").size() == 1);
        // in, out, and what lies between is taken out
        goTo(20);
        keys("i");
        goTo(39);
        keys("o", "Shift+x");
        becomes("sh0010:0-20@1001 sh0010:20-80@1041 sh0020:80-180@1001 sh0030:180-280@1001");
    }

    @Test
    @DisplayName("cameras by number while it plays: a key cuts, and the action goes on")
    void camerasByNumber() throws IOException {
        begin("Cameras by number");
        becomes(THREE);
        goTo(30);
        keys("Shift+c");
        assertThat(page.getByLabel("Cameras by number")).isVisible();
        keys("Space");
        page.waitForTimeout(700);
        keys("3");
        until(() -> view().get("clips").size() == 4);
        keys("Space");
        JsonNode cut = view().get("clips").get(1);
        assertThat(cut.get("code").asString()).isEqualTo("sh0030");
        long action = view().get("clips").get(0).get("actionFirst").asLong() + cut.get("in").asLong() - 86_400;
        assertThat(cut.get("actionFirst").asLong()).as("the action goes on").isEqualTo(action);
        keys("Escape");
        assertThat(page.getByLabel("Cameras by number")).not().isVisible();
    }

    @Test
    @DisplayName("by mouse: an edge on a track above, a nest opened by a double click, a track locked and named from its menu")
    void mouse() throws IOException {
        begin("Tracks by mouse");
        becomes(THREE);
        page.mouse().click(at(150)[0], at(150)[1]);
        page.getByLabel("Chosen clips").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("try above")).click();
        until(() -> view().get("upper").size() == 1);
        // the track above lies between the cut's and the main one
        double y = aboveMain();
        double[] edge = at(200);
        page.mouse().move(edge[0] - 2, y);
        page.mouse().down();
        page.mouse().move(at(230)[0] - 2, y);
        page.mouse().up();
        until(() -> Math.abs(view().get("upper").get(0).get("clips").get(0).get("out").asLong() - 86_630) < 3);
        page.getByTitle("Track 2", new Page.GetByTitleOptions().setExact(true)).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Lock").setExact(true)).click();
        until(() -> view().get("upper").get(0).get("track").get("locked").asBoolean());
        page.mouse().move(at(230)[0] - 2, y);
        page.mouse().down();
        page.mouse().move(at(250)[0] - 2, y);
        page.mouse().up();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Track \"Track 2\" is locked");
        page.getByTitle("Track 2, locked", new Page.GetByTitleOptions().setExact(true)).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Rename")).click();
        type("Track 2 is called", "Tries");
        assertThat(page.getByTitle("Track Tries, locked", new Page.GetByTitleOptions().setExact(true))).isVisible();
    }

    /** The middle of the one track above the main one, on the page. */
    private double aboveMain() {
        page.waitForTimeout(300);
        BoundingBox name = page.getByTitle("Track 2", new Page.GetByTitleOptions().setExact(true)).boundingBox();
        return name.y + name.height / 2;
    }

    @Test
    @DisplayName("two people: each sees where the other is and what was done, and undoes their own")
    void together() throws IOException {
        begin("Two people");
        becomes(THREE);
        page.evaluate("localStorage.setItem('who', 'Ines')");
        page.reload();
        Page tom = openAs("Tom");
        tom.getByText("Two people", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(tom.locator("[data-picture=tracks]")).isVisible();
        goTo(150);
        keys("Enter", "x");
        becomes("sh0010:0-100@1001 sh0030:100-200@1001");
        assertThat(tom.getByText("Ines: Extract sh0020")).isVisible();
        // Tom has nothing of his own to undo
        assertThat(tom.getByLabel("Undo", new Page.GetByLabelOptions().setExact(true))).isDisabled();
        tom.keyboard().press("Home");
        tom.keyboard().press(".");
        until(() -> laid().startsWith("sh0010:0-100@1002"));
        keys("Control+z");
        becomes("sh0010:0-100@1002 sh0020:100-200@1001 sh0030:200-300@1001");
        tom.context().close();
    }
}
