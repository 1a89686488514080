package freshsplice.server.renders;

import freshsplice.core.render.FrameLook;
import freshsplice.render.JobFile;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** Whether the disk can take a render. Better said before than an hour in. */
@Component
class RenderSpace {
    private static final long SPARE_BYTES = 200_000_000;

    private final Folders folders;

    RenderSpace(Folders folders) {
        this.folders = folders;
    }

    /** Pictures of plain figures need under 4 bits a pixel as frames, and again as movies. @throws IOException if it is too full */
    void check(JobFile.Kept job) throws IOException {
        FrameLook look = job.job().recipe().look();
        long needed = job.job().frames() * look.width() * look.height() / 2 + SPARE_BYTES;
        OptionalLong free = FreeSpace.at(folders.frames());
        if (free.isPresent() && free.getAsLong() < needed) {
            throw new IOException("The disk has " + free.getAsLong() / 1_000_000 + " MB free and this may need "
                    + needed / 1_000_000 + " MB: free some space, then go on");
        }
    }
}
