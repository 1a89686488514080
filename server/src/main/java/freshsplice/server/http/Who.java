package freshsplice.server.http;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;

/** The name of whoever asks, as their window says it. */
public final class Who {
    public static final String HEADER = "X-Who";

    private Who() {
    }

    public static String of(HttpServletRequest request) {
        String name = request.getHeader(HEADER);
        if (name == null || name.isBlank()) {
            return "somebody";
        }
        try {
            String plain = URLDecoder.decode(name, StandardCharsets.UTF_8).replaceAll("\\p{Cntrl}", " ").strip();
            return plain.isEmpty() ? "somebody" : plain.substring(0, Math.min(100, plain.length()));
        } catch (IllegalArgumentException e) {
            return "somebody";
        }
    }
}
