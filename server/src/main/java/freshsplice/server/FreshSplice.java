package freshsplice.server;

import freshsplice.server.database.OwnDatabase;
import freshsplice.worker.WorkerProgram;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.ConfigurableApplicationContext;

/** The program: the application with its own database, or a machine that draws for one. */
public class FreshSplice {
    /** A running application. @param port what it listens on */
    public record Running(ConfigurableApplicationContext context, OwnDatabase database, int port)
            implements AutoCloseable {
        @Override
        public void close() {
            context.close();
            database.close();
        }
    }

    public static void main(String[] args) throws IOException {
        Map<String, String> options = options(args);
        if (options.containsKey("worker")) {
            System.exit(WorkerProgram.run(options));
        }
        Path data = Path.of(options.getOrDefault("data", ".data"));
        int port = Integer.parseInt(options.getOrDefault("port", "0"));
        try {
            Start start = new Start(data);
            Runtime.getRuntime().addShutdownHook(new Thread(start::stop, "stop"));
            Running running = start.run(port, options.containsKey("demo"));
            if (options.containsKey("once")) {
                // a start from which the build makes the archive of classes
                askOnce(running.port());
                System.exit(0);
            }
            System.out.println("Fresh Splice is at http://localhost:" + running.port());
        } catch (RuntimeException | IOException e) {
            System.err.println("Fresh Splice could not start: " + rootCause(e));
            System.exit(1);
        }
    }

    /**
     * Starts database and application.
     *
     * @param data folder that keeps everything
     * @param port to listen on; 0 takes a free one
     * @param demo whether to make the demo's project where it is not there yet
     */
    public static Running start(Path data, int port, boolean demo) throws IOException {
        return new Start(data).run(port, demo);
    }

    /** Asks for what a window asks for first, so that the archive has the classes of a first answer too. */
    private static void askOnce(int port) throws IOException {
        for (String path : List.of("/", "/api/projects")) {
            try (InputStream answer = URI.create("http://localhost:" + port + path).toURL().openStream()) {
                answer.readAllBytes();
            }
        }
    }

    private static Map<String, String> options(String[] args) {
        Map<String, String> options = new HashMap<>();
        for (String arg : args) {
            String[] parts = arg.replaceFirst("^--", "").split("=", 2);
            options.put(parts[0], parts.length > 1 ? parts[1] : "");
        }
        return options;
    }

    private static String rootCause(Throwable e) {
        Throwable cause = e;
        while (cause.getCause() != null) {
            cause = cause.getCause();
        }
        return cause.getMessage();
    }
}
