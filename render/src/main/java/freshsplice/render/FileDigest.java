package freshsplice.render;

import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What files are known by, on whatever machine: SHA-256, in lower-case hexadecimal digits. */
public final class FileDigest {
    /** Above this a linked file is known by three parts of it, so that a movie of a hundred gigabytes is not read whole. */
    private static final long WHOLE = 64_000_000;
    private static final int PART = 4_000_000;

    private FileDigest() {
    }

    public static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** Of all of a file. */
    public static String of(Path file) throws IOException {
        try (DigestInputStream in = new DigestInputStream(Files.newInputStream(file), sha256())) {
            in.transferTo(OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(in.getMessageDigest().digest());
        }
    }

    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(sha256().digest(bytes));
    }

    /** Of all of a file, or, where it is large, of its size, head, middle and end. */
    public static String quick(Path file) throws IOException {
        long size = Files.size(file);
        if (size <= WHOLE) {
            return of(file);
        }
        MessageDigest digest = sha256();
        digest.update(ByteBuffer.allocate(8).putLong(size).array());
        try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
            byte[] part = new byte[PART];
            for (long at : new long[] {0, size / 2, size - PART}) {
                in.seek(at);
                in.readFully(part);
                digest.update(part);
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    /** Whether a file is the one that is known by a digest, of all of it or a quick one. */
    public static boolean isOf(Path file, String digest) throws IOException {
        return quick(file).equals(digest) || of(file).equals(digest);
    }
}
