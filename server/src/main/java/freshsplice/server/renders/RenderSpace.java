package freshsplice.server.renders;

import freshsplice.core.render.Recipe;
import freshsplice.core.render.Sizes;
import freshsplice.render.JobFile;
import freshsplice.server.settings.Folders;
import java.io.IOException;
import java.nio.file.Path;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether the disk can take a render. Better said before than an hour in. */
@Component
class RenderSpace {
    private static final double SPARE_BYTES = 200_000_000;

    private final Folders folders;
    private final OwnRecord record;

    RenderSpace(Folders folders, OwnRecord record) {
        this.folders = folders;
        this.record = record;
    }

    /**
     * As much as its frames can need that are still to be drawn, and its files at least.
     *
     * @param there frames that are kept already
     * @throws IOException if a disk is too full for that
     */
    @Transactional(readOnly = true)
    public void check(JobFile.Contents job, long there) throws IOException {
        Recipe recipe = job.job().recipe();
        double frames = Sizes.keptFrames(recipe, Math.max(0, job.job().frames() - there)).most();
        double files = record.sizes(record.newest()).of(recipe, job.job().frames()).least();
        if (isOneDisk(folders.frames(), folders.renders())) {
            check(folders.frames(), frames + files);
        } else {
            check(folders.frames(), frames);
            check(folders.renders(), files);
        }
    }

    private static boolean isOneDisk(Path a, Path b) {
        return a.toFile().getTotalSpace() == b.toFile().getTotalSpace() && a.toFile().getFreeSpace() == b.toFile().getFreeSpace();
    }

    private static void check(Path folder, double bytes) throws IOException {
        OptionalLong free = FreeSpace.at(folder);
        double needed = bytes + SPARE_BYTES;
        if (free.isPresent() && free.getAsLong() < needed) {
            throw new IOException("The disk has " + free.getAsLong() / 1_000_000 + " MB free and this may need "
                    + Math.round(needed / 1_000_000) + " MB: free some space, then go on");
        }
    }
}
