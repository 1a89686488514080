package freshsplice.server.workers;

import freshsplice.render.FileDigest;
import freshsplice.render.FrameFile;
import freshsplice.server.renders.KeptFrames;
import freshsplice.server.renders.Seat;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestOutputStream;
import java.util.HexFormat;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Takes frames that other machines drew: each is looked at before it has its name, and one that is there stays as it is. */
@Component
public class FrameArrivals {
    /** What came is not what was sent, or no frame of that render. */
    public static class CameOtherwise extends IOException {
        private static final long serialVersionUID = 1;

        CameOtherwise(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** The disk did not take a frame. */
    public static class NotTaken extends IOException {
        private static final long serialVersionUID = 1;

        NotTaken(IOException cause) {
            super(cause.getMessage(), cause);
        }
    }

    private static final int HEAD_BYTES = 4096;

    private final KeptFrames kept;

    FrameArrivals(KeptFrames kept) {
        this.kept = kept;
    }

    /**
     * @param sha256 of what is sent
     * @throws CameOtherwise if it came otherwise
     * @throws NotTaken      if the disk does not take it
     */
    public void take(WorkerSeat seat, String ticket, long frame, String sha256, InputStream sent) throws IOException {
        Seat.Chunk chunk = chunk(seat, ticket, frame);
        Path file = kept.frames(chunk.renderId()).resolve(FrameFile.name(frame));
        Path part = file.resolveSibling(file.getFileName() + "." + UUID.randomUUID() + ".part");
        try {
            String came = write(sent, part, mostBytes(chunk));
            if (!came.equals(sha256)) {
                throw new CameOtherwise("The frame came otherwise than it was sent", null);
            }
            check(part, chunk);
            seat.chunk(ticket);
            boolean first = !Files.exists(file);
            if (first) {
                Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
                seat.came(ticket);
            }
        } catch (NotTaken e) {
            seat.cannotTake(ticket, e);
            throw e;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Looks at a frame that lies in its place already. @throws CameOtherwise if it is not what was said, or no frame; it is taken away then */
    public void look(WorkerSeat seat, String ticket, long frame, String sha256) throws IOException {
        Seat.Chunk chunk = chunk(seat, ticket, frame);
        Path file = kept.frames(chunk.renderId()).resolve(FrameFile.name(frame));
        if (!Files.exists(file)) {
            throw new CameOtherwise("The frame is not in the folder", null);
        }
        try {
            if (!FileDigest.of(file).equals(sha256)) {
                throw new CameOtherwise("The frame in the folder is not what was put there", null);
            }
            check(file, chunk);
        } catch (CameOtherwise e) {
            Files.deleteIfExists(file);
            throw e;
        }
        seat.came(ticket);
    }

    private static Seat.Chunk chunk(WorkerSeat seat, String ticket, long frame) {
        Seat.Chunk chunk = seat.chunk(ticket);
        if (frame < chunk.first() || frame >= chunk.first() + chunk.frames()) {
            throw new TurnOver("That frame is not in what this machine draws");
        }
        return chunk;
    }

    /** Points that cannot be packed at all are a little larger than they are. */
    private static long mostBytes(Seat.Chunk chunk) {
        var recipe = chunk.job().job().recipe();
        long points = (long) recipe.look().width() * recipe.look().height();
        return points * (recipe.alpha() ? 4 : 3) * (recipe.bits() / 8) * 102 / 100 + HEAD_BYTES;
    }

    private static void check(Path file, Seat.Chunk chunk) throws CameOtherwise {
        try {
            FrameFile.check(file, chunk.job().job().recipe());
        } catch (IOException e) {
            throw new CameOtherwise(e.getMessage(), e);
        }
    }

    private static String write(InputStream sent, Path part, long most) throws IOException {
        try (DigestOutputStream out = new DigestOutputStream(open(part), FileDigest.sha256())) {
            byte[] some = new byte[1 << 16];
            long bytes = 0;
            for (int read = sent.read(some); read >= 0; read = sent.read(some)) {
                bytes += read;
                if (bytes > most) {
                    throw new CameOtherwise("That is more than a frame", null);
                }
                put(out, some, read);
            }
            return HexFormat.of().formatHex(out.getMessageDigest().digest());
        }
    }

    private static OutputStream open(Path part) throws NotTaken {
        try {
            return Files.newOutputStream(part);
        } catch (IOException e) {
            throw new NotTaken(e);
        }
    }

    private static void put(OutputStream out, byte[] some, int length) throws NotTaken {
        try {
            out.write(some, 0, length);
        } catch (IOException e) {
            throw new NotTaken(e);
        }
    }
}
