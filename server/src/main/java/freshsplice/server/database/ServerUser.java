package freshsplice.server.database;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.nio.file.attribute.UserPrincipal;

/**
 * As whom the server runs, and where its tables lie. It runs as whoever starts the application, but never as root: started
 * by root it runs as the user that Debian's package makes for it. Where that user may not pass through the folders above the
 * data folder (root's home), the tables lie below {@code /var/lib/fresh-splice}, and the data folder has a link to them.
 */
final class ServerUser {
    private static final String UNPRIVILEGED = "mysql";
    private static final Path SET_USER = Path.of("/usr/bin/setpriv");
    private static final Path ELSEWHERE = Path.of("/var/lib/fresh-splice");

    private final boolean isRoot = "root".equals(System.getProperty("user.name"));

    /** The real folder of the tables, made where it is not there yet. */
    Path place(Path folder) throws IOException {
        boolean mayStay = !isRoot || Files.isSymbolicLink(folder) || mayPass(Files.createDirectories(folder.getParent()));
        if (mayStay) {
            return Files.isSymbolicLink(folder) ? folder.toRealPath() : Files.createDirectories(folder).toRealPath();
        }
        Files.createDirectories(ELSEWHERE);
        Path own = Files.createTempDirectory(ELSEWHERE, "data-",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx--x--x")));
        Path tables = own.resolve("database");
        if (Files.isDirectory(folder)) {
            Files.move(folder, tables);
        } else {
            Files.createDirectory(tables);
        }
        Files.createSymbolicLink(folder, tables);
        return tables;
    }

    /** Gives what the server must write to its user. */
    void own(Path folder) throws IOException {
        if (!isRoot) {
            return;
        }
        UserPrincipal user = folder.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName(UNPRIVILEGED);
        try (var paths = Files.walk(folder)) {
            for (Path path : paths.toList()) {
                if (!Files.getOwner(path).equals(user)) {
                    Files.setOwner(path, user);
                }
            }
        }
    }

    /** What to start instead of a program of the server: itself, or a script that starts it as the server's user. */
    Path program(Path program, Path folder) throws IOException {
        if (!isRoot) {
            return program;
        }
        if (!Files.isExecutable(SET_USER)) {
            throw new IOException("The database is not run as root, and " + SET_USER + " is not there to start it as "
                    + UNPRIVILEGED + ": install the package util-linux, or start the application as another user");
        }
        Path script = folder.resolve("start-" + program.getFileName());
        Files.writeString(script, "#!/bin/sh\nexec " + SET_USER + " --reuid=" + UNPRIVILEGED + " --regid=" + UNPRIVILEGED
                + " --clear-groups " + program + " \"$@\"\n");
        Files.setPosixFilePermissions(script, PosixFilePermissions.fromString("rwx------"));
        return script;
    }

    private static boolean mayPass(Path folder) throws IOException {
        for (Path up = folder.toRealPath(); up != null; up = up.getParent()) {
            if (!Files.getPosixFilePermissions(up).contains(PosixFilePermission.OTHERS_EXECUTE)) {
                return false;
            }
        }
        return true;
    }
}
