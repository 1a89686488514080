package freshsplice.server.renders;

import freshsplice.core.render.DrawnSet;
import freshsplice.core.render.ShownSet;
import freshsplice.render.Footage;
import freshsplice.render.FrameFile;
import freshsplice.render.JobFile;
import freshsplice.render.OrderFile;
import freshsplice.render.Reel;
import freshsplice.render.SetFile;
import freshsplice.render.WholeFile;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.settings.Folders;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** Where frames of renders are kept, with what they are drawn from as it was when they were begun. */
@Component
public class KeptFrames {
    private static final Duration WRITTEN_WITHIN = Duration.ofMinutes(10);

    private final Folders folders;

    public KeptFrames(Folders folders) {
        this.folders = folders;
    }

    /** The folder of a render. */
    Path folder(long renderId) {
        return folders.frames().resolve(String.valueOf(renderId));
    }

    Path job(long renderId) {
        return folder(renderId).resolve("job.json");
    }

    /** What the frames of a chunk are drawn from. @param first frame of it */
    public Path orders(long renderId, long first) {
        return folder(renderId).resolve("orders").resolve(String.format("%07d.cbor", first));
    }

    /** The drawn frames. */
    public Path frames(long renderId) {
        return folder(renderId).resolve("frames");
    }

    /** A drawn frame. @throws NotThere if it is not there */
    public Path frame(long renderId, long frame) {
        Path file = frames(renderId).resolve(FrameFile.name(frame));
        if (!Files.exists(file)) {
            throw new NotThere("That frame is not drawn yet, or was let go");
        }
        return file;
    }

    /** The last of the drawn frames. @throws NotThere if there is none */
    public Path newest(long renderId) throws IOException {
        if (!Files.isDirectory(frames(renderId))) {
            throw new NotThere("No frame is drawn yet, or all were let go");
        }
        try (Stream<Path> files = Files.list(frames(renderId))) {
            return files.filter(f -> f.toString().endsWith(FrameFile.ENDING)).max(Comparator.naturalOrder())
                    .orElseThrow(() -> new NotThere("No frame is drawn yet"));
        }
    }

    public Path set(String key) {
        return folders.frames().resolve("sets").resolve(key + ".glb");
    }

    JobFile.Contents kept(long renderId) throws IOException {
        return JobFile.read(job(renderId));
    }

    /** The job of a render of which all is there that it is drawn from, as this version of the program keeps it. */
    Optional<JobFile.Contents> begun(long renderId) {
        try {
            return Files.exists(job(renderId)) ? Optional.of(kept(renderId)).filter(JobFile.Contents::isCurrent) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** How many frames are there. */
    long count(long renderId) {
        if (!Files.isDirectory(frames(renderId))) {
            return 0;
        }
        try (Stream<Path> files = Files.list(frames(renderId))) {
            return files.filter(f -> f.toString().endsWith(FrameFile.ENDING)).count();
        } catch (IOException e) {
            return 0;
        }
    }

    /** @param frames that are there; @param bytes that they take, with what they are drawn from */
    record Size(long frames, long bytes) {
    }

    Size size(long renderId) {
        long frames = 0;
        long bytes = 0;
        if (Files.isDirectory(folder(renderId))) {
            try (Stream<Path> files = Files.walk(folder(renderId))) {
                for (File file : files.map(Path::toFile).filter(File::isFile).toList()) {
                    frames += file.getName().endsWith(FrameFile.ENDING) ? 1 : 0;
                    bytes += file.length();
                }
            } catch (IOException | UncheckedIOException e) {
                // it is let go at this moment
                return new Size(0, 0);
            }
        }
        return new Size(frames, bytes);
    }

    /** Keeps what a render is drawn from. The job comes last: where it is, all is. */
    void begin(long renderId, Drawing drawing) throws IOException {
        Files.createDirectories(frames(renderId));
        Files.createDirectories(folder(renderId).resolve("orders"));
        Files.createDirectories(folders.frames().resolve("sets"));
        for (var chunk : drawing.kept().job().chunks()) {
            OrderFile.write(orders(renderId, chunk.in()), new OrderFile.Orders(chunk.in(),
                    LongStream.range(chunk.in(), chunk.out()).mapToObj(drawing.orders()::at).toList()));
        }
        for (var set : drawing.orders().sets().entrySet()) {
            if (!Files.exists(set(set.getKey()))) {
                SetFile.write(set(set.getKey()), set.getValue().drawn());
            }
        }
        JobFile.write(job(renderId), drawing.kept());
    }

    /** Takes away what nobody writes any more: parts of frames of a server or machine that was killed. */
    void sweep(long renderId) throws IOException {
        if (!Files.isDirectory(frames(renderId))) {
            return;
        }
        try (Stream<Path> files = Files.list(frames(renderId))) {
            for (Path part : files.filter(f -> f.toString().endsWith(WholeFile.PART)).toList()) {
                if (Files.exists(part) && Files.getLastModifiedTime(part).toInstant().isBefore(Instant.now().minus(WRITTEN_WITHIN))) {
                    Files.deleteIfExists(part);
                }
            }
        }
    }

    /** Lets go of one frame, to be drawn again. */
    void letGo(long renderId, long frame) throws IOException {
        Files.deleteIfExists(frames(renderId).resolve(FrameFile.name(frame)));
    }

    /** Lets go of a render's frames. */
    void letGo(long renderId) throws IOException {
        FileSystemUtils.deleteRecursively(folder(renderId));
    }

    /** What a render's frames are drawn from, as it lies here. */
    Footage footage(JobFile.Contents kept) {
        return footage(kept, Map.of());
    }

    /** @param sets that are at hand, by their keys */
    Footage footage(JobFile.Contents kept, Map<String, ShownSet> sets) {
        return new Footage() {
            private DrawnSet known;

            @Override
            public DrawnSet set(String key) throws IOException {
                if (known == null || !known.key().equals(key)) {
                    known = sets.containsKey(key) ? sets.get(key).drawn() : SetFile.read(KeptFrames.this.set(key), key);
                }
                return known;
            }

            @Override
            public Reel reel(String key) throws IOException {
                Reel reel = kept.reels().get(key);
                if (reel == null || !Files.exists(reel.file())) {
                    throw new IOException("A picture that it shows is not in its place any more: " + (reel == null ? key : reel.file().getFileName()));
                }
                return reel;
            }
        };
    }
}
