package freshsplice.server.database;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.HexFormat;

/**
 * The account that the application has at its own database. Its password lies in the data folder, for its owner's eyes
 * only; all other accounts are closed whenever the server starts.
 */
record DatabaseAccount(String name, String password) {
    private static final String NAME = "freshsplice";

    /** The account of a data folder, with a new password where it has none yet. */
    static DatabaseAccount of(Path dataFolder) throws IOException {
        Path file = dataFolder.resolve("database-password");
        if (!Files.exists(file)) {
            byte[] secret = new byte[24];
            new SecureRandom().nextBytes(secret);
            writePrivate(file, HexFormat.of().formatHex(secret));
        }
        return new DatabaseAccount(NAME, Files.readString(file).strip());
    }

    /** Statements, a line each, that a server runs as it starts and before anybody can reach it. */
    String opening() {
        return """
                create database if not exists %1$s;
                create user if not exists '%1$s'@'localhost';
                alter user '%1$s'@'localhost' identified by '%2$s';
                grant all on %1$s.* to '%1$s'@'localhost';
                delete from mysql.global_priv where user not in ('%1$s', 'mariadb.sys', 'root') or host <> 'localhost';
                alter user 'root'@'localhost' account lock;
                flush privileges;
                """.formatted(name, password);
    }

    /** Writes a file that only its owner may read, from its first byte on. */
    static void writePrivate(Path file, String text) throws IOException {
        Path half = Files.createTempFile(file.getParent(), "private", null,
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(half, text);
        Files.move(half, file, java.nio.file.StandardCopyOption.ATOMIC_MOVE, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    }
}
