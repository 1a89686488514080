package freshsplice.server.http.workers;

import freshsplice.server.http.Denial;
import freshsplice.server.workers.WorkerKeys;
import freshsplice.worker.Wire;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The door for machines that draw. Whoever comes through it shows a key, and is answered below {@link Wire#ROOT} alone; from other
 * machines it is reached at an address and port of its own, where nothing else is answered.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class WorkerDoor extends OncePerRequestFilter {
    /** Under which the id of the key is kept with the request. */
    static final String KEY = "fresh-splice.worker-key";

    private static final String BEARER = "Bearer ";

    private final WorkerPort port;
    /** Filters are made before anything that needs the database is. */
    private final ObjectProvider<WorkerKeys> keys;

    WorkerDoor(WorkerPort port, ObjectProvider<WorkerKeys> keys) {
        this.port = port;
        this.keys = keys;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        boolean door = request.getRequestURI().startsWith(Wire.ROOT + "/");
        if (!door && request.getLocalPort() == port.number()) {
            Denial.say(response, HttpServletResponse.SC_FORBIDDEN, "Machines that draw are answered here, and nobody else");
        } else if (!door || isLetIn(request)) {
            chain.doFilter(request, response);
        } else {
            Denial.say(response, HttpServletResponse.SC_UNAUTHORIZED, "This key is not let in: have the server make another, in Renders under Machines");
        }
    }

    private boolean isLetIn(HttpServletRequest request) {
        String shown = request.getHeader("Authorization");
        if (shown == null || !shown.startsWith(BEARER) || request.getHeader("Origin") != null) {
            return false;
        }
        return keys.getObject().letIn(shown.substring(BEARER.length())).map(id -> {
            request.setAttribute(KEY, id);
            return true;
        }).orElse(false);
    }
}
