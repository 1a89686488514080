package freshsplice.server.renders;

import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** What happened to each render, a line each, with the recipe that it used. Stays when its frames are let go. */
@Component
public class RenderLog {
    private static final Logger LOG = LoggerFactory.getLogger(RenderLog.class);

    private final Folders folders;

    RenderLog(Folders folders) {
        this.folders = folders;
    }

    private Path file(long renderId) {
        return folders.frames().resolve(renderId + ".log");
    }

    void say(long renderId, String words) {
        try {
            Files.writeString(file(renderId), Instant.now().truncatedTo(ChronoUnit.MILLIS) + "  " + words + "\n", StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } catch (IOException e) {
            // a full disk is told by what is drawn
            LOG.info("A line of a render's log was not kept: {}", words);
        }
    }

    public String of(long renderId) throws IOException {
        return Files.exists(file(renderId)) ? Files.readString(file(renderId), StandardCharsets.UTF_8) : "";
    }
}
