package freshsplice.server;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;

/** The program as people start it (scripts/start.sh), as a process of its own, so that it can be killed like one. */
final class OwnProcess implements AutoCloseable {
    private static final Path TARGET = Path.of("target").toAbsolutePath();
    private static final Path PROGRAM = laidOut();

    /** Far more than it ever took: a machine that many share may be ten times as slow. */
    private static final int PATIENCE_SECONDS = 150;

    private final Process process;
    private final List<String> said = new ArrayList<>();

    /** The built program, laid out by whoever comes first: the others wait. */
    private static Path laidOut() {
        try {
            if (newest(TARGET.resolve("classes/freshsplice")) > newest(TARGET.resolve("server-0.1.0.jar"))) {
                throw new IllegalStateException("The built program is older than what was compiled: CONTRIBUTING.md says how a test of it is run");
            }
            Process layOut = new ProcessBuilder(Path.of("..", "scripts", "lay-out.sh").toString()).redirectErrorStream(true).start();
            String said = new String(layOut.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (layOut.waitFor() != 0) {
                throw new IllegalStateException("The built program could not be laid out: " + said);
            }
            Path program = TARGET.resolve("application");
            if (!Files.exists(program.resolve("lib/core-0.1.0.jar"))) {
                throw new IllegalStateException("The built program lacks the other modules: Maven puts them in from its phase \"package\" on");
            }
            return program;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static long newest(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.map(Path::toFile).filter(File::isFile).mapToLong(File::lastModified).max().orElse(0);
        }
    }

    private OwnProcess(Map<String, String> environment, String... options) throws IOException {
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:SharedArchiveFile=" + PROGRAM.resolve("classes.jsa"), "-Xlog:cds=off", "-Xlog:cds+dynamic=off", "-Xmx700m", "-XX:+UseSerialGC",
                // none lives long enough for what is worked out once to pay
                "-XX:TieredStopAtLevel=1", "-Djava.awt.headless=true", "-Dspring.aot.enabled=true", "-jar",
                PROGRAM.resolve("server-0.1.0.jar").toString()));
        command.addAll(List.of(options));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().putAll(environment);
        process = builder.start();
        Thread reader = new Thread(this::listen, "what the program says");
        reader.setDaemon(true);
        reader.start();
    }

    /** @return once it answers */
    static OwnProcess server(Path data) throws IOException {
        OwnProcess server = startingServer(data);
        try {
            server.line("http://localhost:");
            return server;
        } catch (IOException e) {
            server.ask();
            throw e;
        }
    }

    /** @return at once, while it starts */
    long pid() {
        return process.pid();
    }

    static OwnProcess startingServer(Path data) throws IOException {
        return new OwnProcess(Map.of(), "--data=" + data, "--port=0");
    }

    static OwnProcess worker(String server, Path key, String name, Path keep) throws IOException {
        return new OwnProcess(Map.of(), "--worker", "--server=" + server, "--key=" + key, "--name=" + name, "--keep=" + keep);
    }

    /** One that draws with narrower registers, and so with what is another driver. */
    static OwnProcess oddWorker(String server, Path key, String name, Path keep) throws IOException {
        return new OwnProcess(Map.of("LP_NATIVE_VECTOR_WIDTH", "128"), "--worker", "--server=" + server, "--key=" + key, "--name=" + name, "--keep=" + keep);
    }

    private void listen() {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                synchronized (said) {
                    said.add(line);
                    said.notifyAll();
                }
            }
        } catch (IOException | UncheckedIOException e) {
            // it was killed
        }
    }

    /** Everything that it said so far. */
    String said() {
        synchronized (said) {
            return String.join("\n", said);
        }
    }

    /** Waits for a line with some words. */
    String line(String words) throws IOException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        synchronized (said) {
            while (process.isAlive() && System.nanoTime() < end && saidLine(words).isEmpty()) {
                waitForMore();
            }
        }
        // even if that line came with its end
        Optional<String> line = saidLine(words);
        if (line.isPresent()) {
            return line.get();
        }
        throw new IOException(whyNot(words));
    }

    private Optional<String> saidLine(String words) {
        return said().lines().filter(line -> line.contains(words)).findFirst();
    }

    private void waitForMore() throws IOException {
        try {
            said.wait(200);
        } catch (InterruptedException e) {
            throw new IOException(e);
        }
    }

    /** All in one line, as reports keep the first alone: whether it ended, what it said last; and what its threads did. */
    private String whyNot(String words) throws IOException {
        if (!process.isAlive()) {
            return "It ended with " + process.exitValue() + " and did not say \"" + words + "\" but: " + said().replace("\n", " | ");
        }
        String until = said();
        // Java writes what its threads do when it is asked so (signal 3)
        new ProcessBuilder("kill", "-QUIT", String.valueOf(process.pid())).start();
        LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(2));
        return "It runs, and within " + PATIENCE_SECONDS + " s did not say \"" + words + "\" but: " + until.replace("\n", " | ") + "\n" + said();
    }

    Client client() throws IOException {
        String line = line("http://localhost:");
        return new Client(line.substring(line.indexOf("http://localhost:")).strip());
    }

    /** Asks it to end, as Ctrl-C does. */
    void ask() {
        process.destroy();
    }

    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    /** Waits for its end. @return its exit code */
    int code() throws InterruptedException {
        return process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS) ? process.exitValue() : -1;
    }

    @Override
    public void close() throws InterruptedException {
        process.destroy();
        if (!process.waitFor(20, TimeUnit.SECONDS)) {
            process.destroyForcibly();
        }
    }
}
