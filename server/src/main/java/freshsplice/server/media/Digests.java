package freshsplice.server.media;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import net.jpountz.xxhash.StreamingXXHash64;
import net.jpountz.xxhash.XXHashFactory;

/** Checksums of files as lists of them have it. */
public final class Digests {
    private Digests() {
    }

    private static MessageDigest digest(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has " + name, e);
        }
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
