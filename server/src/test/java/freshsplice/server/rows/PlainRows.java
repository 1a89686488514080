package freshsplice.server.rows;

import freshsplice.server.TestServer;
import freshsplice.server.projects.NewProjects;
import java.time.Instant;
import org.springframework.transaction.support.TransactionTemplate;

/** Rows with nothing in them but what a test asks about. */
public final class PlainRows {
    private PlainRows() {
    }

    /** A project that is there from now on. @return its id */
    public static long project(String name) {
        return TestServer.bean(TransactionTemplate.class).execute(status -> TestServer.bean(Store.class).add(NewProjects.plain(name)).id);
    }

    /** A step that nobody has stored yet. */
    public static StepRow step(long project, int seq, String who, StepRow.State state) {
        StepRow step = new StepRow();
        step.projectId = project;
        step.seq = seq;
        step.name = "Edit";
        step.who = who;
        step.madeAt = Instant.now();
        step.state = state;
        return step;
    }
}
