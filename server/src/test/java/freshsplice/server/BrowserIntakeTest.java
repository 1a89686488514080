package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A cut with a folder of misnamed pictures, as somebody takes it in. */
class BrowserIntakeTest extends InBrowser {
    @TempDir
    Path folder;

    private static final List<Material.Clip> CLIPS = List.of(new Material.Clip("Quay_v002.png", 0, 40),
            new Material.Clip("Quay_v002.png", 0, 20), new Material.Clip("Quay_v002.png", 0, 30),
            new Material.Clip("Hafen (weit).png", 0, 2), new Material.Clip("lamp.png", 0, 50),
            new Material.Clip("Quay_v002.png", 0, 44), new Material.Clip("gone.png", 0, 36));

    private Locator planned(int place) {
        return page.getByLabel("Planned shots").getByRole(AriaRole.LISTITEM).nth(place);
    }

    private Locator link(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    @DisplayName("a folder of misnamed pictures, joins undone one by one, a camera shared, a missing picture later, undo")
    void intake() throws IOException {
        Path boards = Files.createDirectories(folder.resolve("boards"));
        Files.write(boards.resolve("quay_v010.png"), Material.picture("quay", 320, 180));
        Files.write(boards.resolve("HAFEN weit.PNG"), Material.picture("hafen", 320, 180));
        Files.write(boards.resolve("LAMP.png"), Material.picture("lamp", 320, 180));
        newProject("Misnamed");
        drop(page, file("odd.edl", Material.edl("Odd", CLIPS)));
        assertThat(page.getByText("5 shots, 5 cameras")).isVisible();
        page.evaluate("document.querySelector('input[type=file]').webkitdirectory = true");
        page.locator("input[type=file]").setInputFiles(boards);
        page.evaluate("document.querySelector('input[type=file]').webkitdirectory = false");
        assertThat(page.getByText("4 boards found")).isVisible();
        sources();
        joins();
        choices();
        button("Receive this cut").click();
        assertThat(page.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("shots")).first()).isVisible();
        later();
    }

    private void sources() {
        page.keyboard().press("s");
        Locator first = page.getByLabel("Sources").getByRole(AriaRole.LISTITEM).first();
        assertThat(first).containsText("Quay_v002.png");
        assertThat(first).containsText("by name, version left aside");
        assertThat(first).containsText("boards/quay_v010.png");
        page.getByLabel("Change the file of Quay_v002.png").click();
        page.getByLabel("Find a file").fill("lamp");
        assertThat(page.getByLabel("Files to choose from").getByRole(AriaRole.LISTITEM)).hasCount(1);
        page.keyboard().press("Enter");
        Locator quay = page.getByLabel("Sources").getByRole(AriaRole.LISTITEM).filter(
                new Locator.FilterOptions().setHasText("Quay_v002.png"));
        assertThat(quay).containsText("chosen by hand");
        assertThat(page.getByLabel("Find a file")).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(quay).containsText("version left aside");
        page.keyboard().press("s");
        assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Not used"))).hasAttribute("aria-selected", "true");
        page.keyboard().press("s");
    }

    private void joins() {
        assertThat(planned(0)).containsText("3 clips of one still");
        link(planned(0), "keep apart").click();
        assertThat(page.getByText("7 shots, 7 cameras")).isVisible();
        link(planned(1), "join to the one before").click();
        assertThat(planned(0)).containsText("2 clips of one still");
        assertThat(planned(1)).containsText("1 clip, kept apart");
        link(planned(1), "join to the one before").click();
        assertThat(planned(0)).containsText("3 clips of one still");
        page.keyboard().press("Control+Shift+X");
        assertThat(page.getByText("7 shots, 7 cameras")).isVisible();
        link(page.getByLabel("What will be made"), "join all").click();
        assertThat(page.getByText("5 shots, 5 cameras")).isVisible();
    }

    private void choices() {
        button("give its frames to the shot before").click();
        assertThat(page.getByText("4 shots, 4 cameras")).isVisible();
        button("leave it as the cut has it").click();
        assertThat(page.getByText("5 shots, 5 cameras")).isVisible();
        button("film them with one camera").click();
        assertThat(page.getByText("5 shots, 4 cameras")).isVisible();
        assertThat(planned(0)).containsText("films 2 shots");
        Locator camera = page.getByLabel("Camera of sh0030");
        camera.fill("crane");
        camera.press("Enter");
        assertThat(camera).hasValue("crane");
        button("Numbering").click();
        page.getByLabel("Step").fill("100");
        assertThat(page.getByLabel("Codes as they would be")).containsText("sh0500");
        button("Number so").click();
        assertThat(planned(1)).containsText("sh0200");
        // the shots may be told of before the box hears that it is done
        assertThat(page.getByLabel("Codes as they would be")).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(planned(1)).containsText("sh0020");
    }

    private void later() {
        view("Intake");
        assertThat(planned(4)).containsText("to find");
        drop(page, file("GONE.png", Material.picture("gone", 320, 180)));
        assertThat(planned(4)).containsText("by name, case left aside");
        page.keyboard().press("Control+z");
        page.keyboard().press("Control+z");
        assertThat(button("Receive this cut")).isVisible();
        page.keyboard().press("Control+Shift+Z");
        page.keyboard().press("Control+Shift+Z");
        assertThat(page.getByText("Received. Undo takes all of it back.")).isVisible();
        view("Stage");
        assertThat(page.getByLabel("Camera that films this shot")).isVisible();
    }

    @Test
    @DisplayName("a message over the picker leaves it open; letters typed on after it was closed reach no view; no letter receives")
    void typedOn() throws IOException {
        newProject("Typed on");
        drop(page, file("odd.edl", Material.edl("Odd", CLIPS)));
        assertThat(page.getByText("5 shots, 5 cameras")).isVisible();
        drop(page, file("notes.txt", "call at ten".getBytes(StandardCharsets.UTF_8)));
        Locator message = page.getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText("notes.txt"));
        assertThat(message).isVisible();
        page.keyboard().press("s");
        assertThat(page.getByLabel("Sources").getByRole(AriaRole.LISTITEM).first()).isVisible();
        page.keyboard().press("e");
        Locator field = page.getByLabel("Find a file");
        assertThat(field).isFocused();
        page.keyboard().type("lam");
        message.getByText("Close").click();
        assertThat(message).hasCount(0);
        page.keyboard().type("p");
        assertThat(field).hasValue("lamp");
        page.getByText("What will be made", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(field).hasCount(0);
        page.keyboard().type("x");
        page.keyboard().press("r");
        assertThat(page.getByText("5 shots, 5 cameras")).isVisible();
        assertThat(button("Receive this cut")).isEnabled();
        page.waitForTimeout(1200);
        page.keyboard().press("x");
        assertThat(page.getByText("5 shots, 5 cameras")).hasCount(0);
    }
}
