package freshsplice.server.http;

import freshsplice.worker.Wire;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Locale;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers this machine only. The server listens on loopback; a page from elsewhere could still reach it through a
 * browser here, so foreign Host and Origin headers are refused, and pages may load nothing from outside.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class LocalOnly extends OncePerRequestFilter {
    private static final Set<String> HERE = Set.of("localhost", "127.0.0.1", "[::1]");

    /** Machines that draw come from elsewhere, with a key: another filter lets them in. */
    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getRequestURI().startsWith(Wire.ROOT + "/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null || !isHere("http://" + host) || origin != null && !origin.equals("http://" + host)) {
            Denial.say(response, HttpServletResponse.SC_FORBIDDEN, "Only this machine's own page is answered");
            return;
        }
        response.setHeader("Content-Security-Policy", "default-src 'self'; img-src 'self' blob: data:; "
                + "media-src 'self' blob:; style-src 'self' 'unsafe-inline'; worker-src 'self' blob:; "
                + "frame-ancestors 'none'");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        chain.doFilter(request, response);
    }

    private static boolean isHere(String address) {
        try {
            String host = URI.create(address).getHost();
            return host != null && HERE.contains(host.toLowerCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
