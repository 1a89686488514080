package freshsplice.server.database;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import javax.sql.DataSource;

/** The database while it starts, beside all of the application that does not ask for it yet. */
public final class StartingDatabase {
    /** What is done when the database is up and before anything is asked of it. */
    public interface WhenUp {
        void run() throws IOException;
    }

    private static final long CONNECTION_MILLIS = 10_000;
    private static final long FIRST_CONNECTION_MILLIS = 30_000;

    private final CompletableFuture<OwnDatabase> starting = new CompletableFuture<>();
    private final Path folder;
    private final WhenUp opened;
    private boolean begun;
    private boolean stopped;

    /** One that is not begun yet. @param opened done before anybody gets it */
    public StartingDatabase(Path folder, WhenUp opened) {
        this.folder = folder;
        this.opened = opened;
    }

    /** Begins to start it, and does not wait; one that was stopped before does not come up any more. */
    public synchronized void begin() {
        if (stopped) {
            starting.completeExceptionally(new IllegalStateException("It was stopped before it began"));
            return;
        }
        begun = true;
        starting.completeAsync(this::started);
    }

    private OwnDatabase started() {
        try {
            OwnDatabase database = OwnDatabase.start(folder);
            try {
                opened.run();
                return database;
            } catch (RuntimeException | IOException e) {
                database.close();
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e.getMessage(), e);
        }
    }

    /** Waits until it is up. @throws UncheckedIOException if it could not be started; the message says why */
    public OwnDatabase get() {
        try {
            return starting.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : e;
        }
    }

    /** Connections to it; waits until it is up. */
    public DataSource connections() {
        OwnDatabase database = get();
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(database.url());
        config.setUsername(database.user());
        config.setPassword(database.password());
        config.setConnectionTimeout(CONNECTION_MILLIS);
        config.setInitializationFailTimeout(FIRST_CONNECTION_MILLIS);
        // switching it off and on again would be two questions more for every edit
        config.setAutoCommit(false);
        return new HikariDataSource(config);
    }

    /** Stops it, if it came up at all. */
    public synchronized void stop() {
        stopped = true;
        if (!begun) {
            return;
        }
        starting.handle((database, failed) -> {
            if (database != null) {
                database.close();
            }
            return null;
        }).join();
    }
}
