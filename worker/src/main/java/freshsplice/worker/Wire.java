package freshsplice.worker;

import java.util.Base64;
import java.util.HexFormat;
import java.util.List;

/** What passes between a server and the machines that draw for it, as JSON; frames and files as they lie on the disk. */
public final class Wire {
    /** Of all addresses: another where a machine of an earlier version could not be answered. */
    public static final String ROOT = "/worker/v1";
    /** Header with a checksum of what is sent (RFC 9530). */
    public static final String DIGEST = "Content-Digest";
    /** How long a server waits for something to give before it answers that there is nothing, in seconds. */
    public static final int PATIENCE_SECONDS = 8;
    /** Who is not heard of for so long is taken for gone, in seconds. */
    public static final int LOST_AFTER_SECONDS = 12;

    /** @param name for people; @param driver what draws there; @param version of what is drawn and how it is written down */
    public record Hello(String name, String driver, String version) {
    }

    /**
     * @param seat   under which it is known from now on
     * @param name   as windows show it: with a number where another has the same
     * @param shared folder in which frames may be put instead of being sent, where it is the server's own; empty for none
     * @param probe  what the file {@link #PROBE} in that folder says, so that it is told from any other
     */
    public record Welcome(String seat, String name, String shared, String probe) {
    }

    public static final String PROBE = ".probe";

    /** A chunk to draw. @param missing frames of it that are not there yet, counted from 0 */
    public record Assignment(String ticket, long renderId, String renderName, List<Long> missing) {
    }

    /** @param goesOn whether what it draws is still wanted of it */
    public record Heard(boolean goesOn) {
    }

    /** How a chunk ended there. @param error why it could not be drawn; null where it was */
    public record End(String error) {
    }

    /** A frame that was put into the shared folder. @param sha256 of its file, hexadecimal digits */
    public record Receipt(String sha256) {
    }

    /** A refusal. */
    public record Message(String message) {
    }

    private Wire() {
    }

    /** @param sha256 hexadecimal digits; @return as the header has it */
    public static String digestHeader(String sha256) {
        return "sha-256=:" + Base64.getEncoder().encodeToString(HexFormat.of().parseHex(sha256)) + ":";
    }

    /** @return hexadecimal digits; empty where a header says no SHA-256 */
    public static String digestOf(String header) {
        if (header == null || !header.startsWith("sha-256=:") || !header.endsWith(":") || header.length() < 12) {
            return "";
        }
        try {
            return HexFormat.of().formatHex(Base64.getDecoder().decode(header.substring(9, header.length() - 1)));
        } catch (IllegalArgumentException e) {
            return "";
        }
    }
}
