package freshsplice.server.http;

import freshsplice.server.steps.EditMade;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Every answer about a project says in a header how many of its edits it knows at least; that of an edit says its own number. So a
 * window can tell whether what it was given has an edit in it that it asked for itself.
 */
@Component
class EditNumbers {
    static final String HEADER = "X-Edit";

    private final JdbcTemplate jdbc;
    private final Map<Long, Long> newest = new ConcurrentHashMap<>();

    EditNumbers(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** Notes the number before anything of the answer is read: what is read later has all edits up to it. */
    void note(long projectId, HttpServletResponse response) {
        long edit = newest.computeIfAbsent(projectId, id ->
                jdbc.queryForList("select seq from project where id = ?", Long.class, id).stream().findFirst().orElse(0L));
        response.setHeader(HEADER, Long.toString(edit));
    }

    /** The answer of the request that made an edit says its number. */
    @EventListener
    void made(EditMade edit) {
        newest.merge(edit.projectId(), edit.edit(), Math::max);
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request && request.getResponse() != null) {
            request.getResponse().setHeader(HEADER, Long.toString(edit.edit()));
        }
    }
}
