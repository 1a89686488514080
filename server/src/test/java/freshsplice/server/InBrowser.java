package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Windows in Debian's Chromium, on the real interface, the real server and the real database. */
@ExtendWith(TestServer.class)
@WholeServer
abstract class InBrowser {
    /** Everything runs on the same two cores: the renderer, the database, the browser, and other tests. */
    private static final int PATIENCE_SECONDS = 45;

    /** One for all tests: what the interface is made of is read and compiled once. */
    private static BrowserContext context;

    final Client client = new Client(TestServer.address());
    Page page;
    private final List<String> problems = new ArrayList<>();
    private final List<BrowserContext> others = new ArrayList<>();

    /** Where there is one project alone it opens by itself; the tests begin at the list. */
    @BeforeAll
    static void twoProjects() {
        Client client = new Client(TestServer.address());
        client.post("/api/projects", Map.of("name", "Some other"));
        client.post("/api/projects", Map.of("name", "And another"));
    }

    /** What somebody would have seen last. */
    @RegisterExtension
    final AfterTestExecutionCallback seen = test -> test.getExecutionException().ifPresent(e -> page.screenshot(new Page.ScreenshotOptions()
            .setPath(Path.of("target", test.getRequiredTestClass().getSimpleName() + "_" + test.getRequiredTestMethod().getName() + ".png"))));

    @RegisterExtension
    static final BeforeAllCallback browser = test -> test.getRoot().getStore(Namespace.GLOBAL).getOrComputeIfAbsent("browser", key -> openBrowser());

    private static AutoCloseable openBrowser() {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_SECONDS * 1000);
        Playwright playwright = Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        // without a screen's window, and pages put together without a graphics card's language: less than half of the work
        Browser chromium = playwright.chromium().launch(new BrowserType.LaunchOptions()
                .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell")).setArgs(List.of("--no-sandbox",
                        "--disable-background-networking", "--disable-gpu-compositing", "--use-angle=swiftshader", "--enable-unsafe-swiftshader",
                        "--autoplay-policy=no-user-gesture-required")));
        context = chromium.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        return () -> {
            chromium.close();
            playwright.close();
        };
    }

    @BeforeEach
    void openWindow() {
        Page window = context.newPage();
        JsonObject all = new JsonObject();
        all.addProperty("origin", TestServer.address());
        all.addProperty("storageTypes", "local_storage");
        context.newCDPSession(window).send("Storage.clearDataForOrigin", all);
        page = shown(window);
    }

    Page open() {
        return shown(context.newPage());
    }

    private Page shown(Page window) {
        window.setDefaultTimeout(PATIENCE_SECONDS * 1000);
        window.onPageError(problems::add);
        window.navigate(TestServer.address());
        return window;
    }

    /** A window of somebody else, with a memory of its own. */
    Page openAs(String who) {
        BrowserContext theirs = context.browser().newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        others.add(theirs);
        theirs.addInitScript("localStorage.setItem('who', '" + who + "')");
        return shown(theirs.newPage());
    }

    @AfterEach
    void closeWindows() {
        List.copyOf(context.pages()).forEach(Page::close);
        others.forEach(BrowserContext::close);
        assertThat(problems).isEmpty();
    }

    /** Waits until something is so. It is asked ten times a second: each question costs the machine that all else runs on too. */
    void waitUntil(BooleanSupplier so) {
        waitUntil(PATIENCE_SECONDS, so);
    }

    void waitUntil(long seconds, BooleanSupplier so) {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
        while (!so.getAsBoolean()) {
            assertThat(System.nanoTime()).as("it is not so after %d s", seconds).isLessThan(end);
            page.waitForTimeout(100);
        }
    }

    void newProject(String name) {
        page.getByLabel("Name of a new project").fill(name);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New project")).click();
    }

    void drop(Page window, FilePayload... files) {
        window.locator("input[type=file]").setInputFiles(files);
    }

    static FilePayload file(String name, byte[] bytes) {
        return new FilePayload(name, "application/octet-stream", bytes);
    }

    void view(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }
}
