package freshsplice.server.http;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.tasks.Tasks;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/**
 * The project that a request belongs to, known before any controller runs: whoever may ask what of a project will be decided
 * here. A new address names something of a project as {@code /api/<room>/{id}}, or something of none.
 */
@Component
class ProjectOfRequest implements HandlerInterceptor {
    /** Under which the project's id is kept with the request; absent for an address of no project. */
    static final String ATTRIBUTE = ProjectOfRequest.class.getName();

    private static final Map<String, String> OWNERS = Map.ofEntries(
            Map.entry("projects", "select id from project where id = ?"),
            Map.entry("cuts", "select project_id from cut where id = ?"),
            Map.entry("masters", "select project_id from master where id = ?"),
            Map.entry("shots", "select project_id from shot where id = ?"),
            Map.entry("scenes", "select project_id from scene where id = ?"),
            Map.entry("renders", "select project_id from render where id = ?"),
            Map.entry("media", "select project_id from media where id = ?"),
            Map.entry("items", "select s.project_id from item i join scene s on s.id = i.scene_id where i.id = ?"),
            Map.entry("cameras", "select s.project_id from camera c join scene s on s.id = c.scene_id where c.id = ?"),
            Map.entry("viewpoints", "select s.project_id from viewpoint v join scene s on s.id = v.scene_id where v.id = ?"),
            Map.entry("sounds", "select m.project_id from sound s join master m on m.id = s.master_id where s.id = ?"),
            Map.entry("markers", "select m.project_id from master_marker k join master m on m.id = k.master_id where k.id = ?"));

    private static final int MOST_KNOWN = 100_000;

    /** @param room as in the address */
    private record Thing(String room, long id) {
    }

    private final JdbcTemplate jdbc;
    private final Tasks tasks;
    private final EditNumbers edits;
    /** Nothing ever moves from one project to another. */
    private final Cache<Thing, Long> known = Caffeine.newBuilder().maximumSize(MOST_KNOWN).build();

    ProjectOfRequest(JdbcTemplate jdbc, Tasks tasks, EditNumbers edits) {
        this.jdbc = jdbc;
        this.tasks = tasks;
        this.edits = edits;
    }

    /** @throws NotThere if the address names something of a project that never was */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        String[] parts = request.getRequestURI().split("/");
        String id = variables(request).get("id");
        if (parts.length > 2 && id != null && id.matches("\\d{1,18}")) {
            long project = project(parts[2], Long.parseLong(id)).orElseThrow(() ->
                    new NotThere("There is nothing of that number among the " + parts[2] + " any more"));
            request.setAttribute(ATTRIBUTE, project);
            edits.note(project, response);
        }
        return true;
    }

    private Optional<Long> project(String room, long id) {
        if (room.equals("tasks")) {
            return tasks.projectOf(id);
        }
        String owner = OWNERS.get(room);
        if (owner == null) {
            throw new IllegalStateException("Nobody says which project /api/" + room + "/{id} belongs to");
        }
        return Optional.ofNullable(known.get(new Thing(room, id),
                thing -> jdbc.queryForList(owner, Long.class, id).stream().findFirst().orElse(null)));
    }

    @SuppressWarnings("unchecked") // as the attribute is documented
    private static Map<String, String> variables(HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        return variables == null ? Map.of() : (Map<String, String>) variables;
    }
}
