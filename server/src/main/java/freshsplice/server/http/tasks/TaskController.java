package freshsplice.server.http.tasks;

import freshsplice.server.tasks.Tasks;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What goes on in the background. */
@RestController
@RequestMapping("/api")
class TaskController {
    private final Tasks tasks;

    TaskController(Tasks tasks) {
        this.tasks = tasks;
    }

    @GetMapping("/projects/{id}/tasks")
    List<Tasks.View> tasks(@PathVariable long id) {
        return tasks.of(id);
    }

    @PostMapping("/tasks/{id}/stop")
    void stop(@PathVariable long id) {
        tasks.stop(id);
    }
}
