package freshsplice.server;

import freshsplice.worker.WorkerProgram;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The program: the application with its own database, or a machine that draws for one. */
public class FreshSplice {
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
