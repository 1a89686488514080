package freshsplice.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;

/** A refusal before any controller is asked. */
public final class Denial {
    private Denial() {
    }

    /** @param status as HTTP counts them; @param message a sentence without quotes */
    public static void say(HttpServletResponse response, int status, String message) throws IOException {
        response.setStatus(status);
        response.setContentType("application/json");
        response.getWriter().write("{\"message\":\"" + message + "\"}");
    }
}
