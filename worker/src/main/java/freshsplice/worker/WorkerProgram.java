package freshsplice.worker;

import freshsplice.render.CannotDraw;
import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

/** The command that lets a machine draw for a server. */
public final class WorkerProgram {
    private static final long MOST_BYTES = 20_000_000_000L;
    private static final int NOT_LET_IN = 3;

    private WorkerProgram() {
    }

    /**
     * Runs until it is stopped.
     *
     * @param options server (its address), key (a file), and name and keep (a folder) where they are wanted
     * @return the exit code: 2 for what cannot be understood, 3 where it is not let in or cannot draw
     */
    public static int run(Map<String, String> options) {
        try {
            URI server = server(options.get("server"));
            String key = key(options.get("key"));
            Path keep = Path.of(options.getOrDefault("keep", Path.of(System.getProperty("user.home"), ".cache", "fresh-splice-worker").toString()));
            Worker worker = new Worker(new Door(server, key), new Stock(keep, MOST_BYTES), options.getOrDefault("name", here()),
                    line -> System.out.println(line));
            Thread end = new Thread(worker::end, "end");
            Runtime.getRuntime().addShutdownHook(end);
            worker.run();
            return 0;
        } catch (IllegalArgumentException e) {
            System.err.println(e.getMessage());
            return 2;
        } catch (IOException | CannotDraw e) {
            System.err.println(e.getMessage());
            return NOT_LET_IN;
        }
    }

    private static URI server(String address) {
        URI server = address == null || address.isBlank() ? null : URI.create(address.contains("://") ? address : "http://" + address);
        if (server == null || server.getHost() == null || !"http https".contains(server.getScheme())) {
            throw new IllegalArgumentException("Say where the server is: --server http://HOST:PORT");
        }
        return server;
    }

    private static String key(String file) throws IOException {
        if (file == null || file.isBlank()) {
            throw new IllegalArgumentException("Say which file holds the key: --key FILE. The window makes one, in Renders under Machines");
        }
        if (!Files.isReadable(Path.of(file))) {
            throw new IllegalArgumentException("There is no key in " + Path.of(file).getFileName() + ": the window makes one, in Renders under Machines");
        }
        String key = Files.readString(Path.of(file)).strip();
        if (!key.matches("[A-Za-z0-9._-]{10,200}")) {
            throw new IllegalArgumentException("What is in " + Path.of(file).getFileName() + " is no key");
        }
        return key;
    }

    private static String here() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "a machine";
        }
    }
}
