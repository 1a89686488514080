package freshsplice.server.media;

import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import net.jpountz.xxhash.StreamingXXHash64;
import net.jpountz.xxhash.XXHashFactory;

/** Checksums of files. */
public final class Digests {
    /** Above this a linked file is known by three parts of it, so that a movie of a hundred gigabytes is not read whole. */
    private static final long WHOLE = 64_000_000;
    private static final int PART = 4_000_000;

    private Digests() {
    }

    static MessageDigest sha256() {
        return digest("SHA-256");
    }

    private static MessageDigest digest(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has " + name, e);
        }
    }

    /** What a file that stays in its folder is known by: SHA-256 of all of it, or of size, head, middle and end. */
    static String ofLinked(Path file) throws IOException {
        long size = Files.size(file);
        MessageDigest digest = sha256();
        if (size <= WHOLE) {
            feed(file, digest::update);
            return HexFormat.of().formatHex(digest.digest());
        }
        digest.update(ByteBuffer.allocate(Long.BYTES).putLong(size).array());
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

    /**
     * A checksum as lists write it, in lower-case hexadecimal digits.
     *
     * @param method md5, sha1 or xxh64
     */
    public static String of(Path file, String method) throws IOException {
        if (method.equals("xxh64")) {
            try (StreamingXXHash64 hash = XXHashFactory.fastestJavaInstance().newStreamingHash64(0)) {
                feed(file, hash::update);
                return String.format("%016x", hash.getValue());
            }
        }
        MessageDigest digest = digest(method.equals("md5") ? "MD5" : "SHA-1");
        feed(file, digest::update);
        return HexFormat.of().formatHex(digest.digest());
    }

    private interface Sink {
        void take(byte[] bytes, int from, int length);
    }

    private static void feed(Path file, Sink sink) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] part = new byte[1 << 16];
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                sink.take(part, 0, n);
            }
        }
    }
}
