package freshsplice.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.springframework.context.ApplicationContext;

/** The real application on the real database, started once for all tests the way users start it. */
public final class TestServer implements BeforeAllCallback {
    private static Running running;
    private static Path folder;

    @Override
    public void beforeAll(ExtensionContext context) {
        context.getRoot().getStore(Namespace.GLOBAL).getOrComputeIfAbsent("server", key -> start());
    }

    public static AutoCloseable start() {
        try {
            Path data = Files.createDirectories(Path.of("target", "test-data-" + System.nanoTime()));
            folder = Files.createDirectories(data.resolve("folder")).toAbsolutePath();
            Files.writeString(data.resolve("settings.properties"), "fresh-splice.folders=" + folder
                    + "\nfresh-splice.max-zip-bytes=3000000\nfresh-splice.max-zip-entries=50\n");
            System.setProperty("spring.jpa.hibernate.ddl-auto", "validate");
            // its interface is described for the tests alone (docs/openapi.json): nobody who works asks for it
            Map.of("api-docs.enabled", "true", "api-docs.path", "/api/openapi", "api-docs.version", "openapi_3_1", "default-produces-media-type", "application/json",
                    "writer-with-order-by-keys", "true").forEach((name, value) -> System.setProperty("springdoc." + name, value));
            System.setProperty("logging.level.org.springdoc", "error");
            running = new Start(data).run(0, false);
            return () -> running.close();
        } catch (IOException e) {
            throw new IllegalStateException("The server does not start for the tests", e);
        }
    }

    /** The folder of the server in which it looks for files. */
    static Path folder() {
        return folder;
    }

    public static String address() {
        return "http://localhost:" + running.port();
    }

    /** All that the server is made of. */
    public static ApplicationContext parts() {
        return running.context();
    }

    public static <T> T bean(Class<T> type) {
        return running.context().getBean(type);
    }
}
