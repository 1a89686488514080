package freshsplice.exchange.format;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;

/** File addresses as edit rooms write them, as plain paths. */
public final class FileAddress {
    private static final Pattern ADDRESS = Pattern.compile("(?is)[a-z][a-z0-9+.-]+://.*");
    private static final Pattern DRIVE = Pattern.compile("(?s)/[A-Za-z]:[/\\\\].*");

    private FileAddress() {
    }

    /**
     * A plain path: {@code file://localhost/a%20b.mov} is {@code /a b.mov}. Other addresses keep their scheme;
     * percent-codes are resolved in all; a damaged code stays as written. Nothing is looked up.
     */
    public static String plain(String address) {
        String text = address.strip();
        boolean isFile = text.regionMatches(true, 0, "file:", 0, 5);
        if (isFile) {
            text = text.substring(5);
            if (text.startsWith("//")) {
                int path = text.indexOf('/', 2);
                String host = path < 0 ? text.substring(2) : text.substring(2, path);
                boolean here = host.isEmpty() || host.equalsIgnoreCase("localhost");
                text = path < 0 ? "" : here ? text.substring(path) : text;
            }
        }
        boolean encoded = isFile || ADDRESS.matcher(text).matches();
        String path = encoded ? decoded(text) : text;
        return isFile && DRIVE.matcher(path).matches() ? path.substring(1) : path;
    }

    /** A plain path as an address: {@code /a b.mov} is {@code file://localhost/a%20b.mov}; addresses keep their scheme. */
    public static String encoded(String path) {
        boolean address = ADDRESS.matcher(path).matches();
        String slashed = path.matches("[A-Za-z]:[/\\\\].*") ? "/" + path : path;
        StringBuilder out = new StringBuilder(address ? "" : slashed.startsWith("/") ? "file://localhost" : "");
        for (byte b : slashed.getBytes(StandardCharsets.UTF_8)) {
            char c = (char) (b & 0xFF);
            if (c < 0x80 && (Character.isLetterOrDigit(c) || "-._~/:!$&'()*+,;=@\\".indexOf(c) >= 0)) {
                out.append(c);
            } else {
                out.append(String.format("%%%02X", (int) c));
            }
        }
        return out.toString();
    }

    private static String decoded(String text) {
        if (text.indexOf('%') < 0) {
            return text;
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream(text.length());
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        for (int i = 0; i < bytes.length; i++) {
            int high = i + 2 < bytes.length && bytes[i] == '%' ? Character.digit(bytes[i + 1], 16) : -1;
            int low = high < 0 ? -1 : Character.digit(bytes[i + 2], 16);
            if (low >= 0) {
                out.write(high * 16 + low);
                i += 2;
            } else {
                out.write(bytes[i]);
            }
        }
        return out.toString(StandardCharsets.UTF_8);
    }
}
