package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Route;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicInteger;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The line to the server breaks. */
class BrowserLineTest extends InMaster {
    @Test
    @DisplayName("an edit without an answer is refused at once, the top line says why, and the message goes when the line is there")
    void anEditWithoutAnAnswer() throws IOException {
        begin("Line");
        goTo(100);
        AtomicInteger lost = new AtomicInteger();
        // where somebody is is told a moment after they went there: it would find the line again before anybody looked
        page.route("**/here", Route::abort);
        page.route("**/api/masters/*/edits", route -> {
            if (lost.getAndIncrement() == 0) {
                route.abort();
            } else {
                route.resume();
            }
        });
        String before = laid();
        goTo(50);
        keys("s");
        assertThat(page.getByText("Not done: the server does not answer")).isVisible();
        assertThat(page.getByText("no line to the server")).isVisible();
        Assertions.assertThat(laid()).isEqualTo(before);
        page.unroute("**/here");
        goTo(60);
        assertThat(page.getByText("no line to the server")).hasCount(0);
        assertThat(page.getByText("Not done: the server does not answer")).hasCount(0);
    }

    @Test
    @DisplayName("an upload whose line breaks goes on by itself when the server is back")
    void anUploadGoesOn() {
        newProject("Broken upload");
        AtomicInteger lost = new AtomicInteger();
        page.route("**/api/projects/*/files", route -> {
            if (lost.getAndIncrement() == 0) {
                route.abort();
            } else {
                route.resume();
            }
        });
        drop(page, file("broken.edl", Material.edl("Broken upload", CLIPS)), file("a.png", Material.picture("a", 64, 36)));
        assertThat(page.getByText("The server does not answer: 2 files will be sent when it does")).isVisible();
        assertThat(page.getByText("3 shots will be made").or(page.getByText("sh0010")).first()).isVisible(
                new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions().setTimeout(30_000));
        Assertions.assertThat(lost.get()).isGreaterThanOrEqualTo(3);
    }
}
