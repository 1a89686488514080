package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The program itself has a fault. */
class BrowserFaultTest extends InMaster {
    @Test
    @DisplayName("a view that fails says so, the others go on, and it is there again when the fault is over")
    void aViewFails() throws IOException {
        begin("Fault");
        page.route("**/api/shots/*/stage", route -> route.fulfill(new Route.FulfillOptions().setContentType("application/json")
                .setBody("{\"shotId\":1,\"code\":\"broken\"}")));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Stage").setExact(true)).or(
                page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Stage").setExact(true))).first().click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("This view failed");
        keys("2");
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        page.unroute("**/api/shots/*/stage");
        page.reload();
        assertThat(page.locator("[data-picture=tracks]")).isVisible();
        keys("3");
        assertThat(page.getByText("This view failed")).hasCount(0);
        assertThat(page.getByLabel("Stage", new Page.GetByLabelOptions().setExact(true))).isVisible();
    }
}
