package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Movie boards in a window. */
class BrowserMoviesTest extends InMaster {
    @Test
    @DisplayName("the board over the camera is the movie's frame that the cut shows, in Conform and in Stage")
    void overTheCamera() throws IOException {
        master = Received.of(client, "Movie boards", Map.of("e.edl", MovieBoardsTest.EDL.getBytes(StandardCharsets.UTF_8),
                "wave.mp4", Material.movie(120), "gull.mp4", Material.movie(30))).master();
        page.reload();
        page.getByText("Movie boards").click();
        page.getByLabel("Board over camera").fill("50");
        goTo(45);
        Locator boards = page.getByAltText("Board wave.mp4");
        assertThat(boards).hasCount(2);
        assertThat(boards.first()).hasAttribute("src", Pattern.compile("frame=70$"));
        assertThat(boards.last()).hasAttribute("src", Pattern.compile("frame=70$"));
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Stage")).click();
        assertThat(boards).hasAttribute("src", Pattern.compile("frame=70$"));
        keys("ArrowRight");
        assertThat(boards).hasAttribute("src", Pattern.compile("frame=72$"));
    }
}
