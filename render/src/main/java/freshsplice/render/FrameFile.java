package freshsplice.render;

import freshsplice.core.delivery.PictureSize;
import freshsplice.core.render.FrameLook;
import freshsplice.core.render.Recipe;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import net.jpountz.lz4.LZ4FrameInputStream;
import net.jpountz.lz4.LZ4FrameOutputStream;

/**
 * A drawn frame as it is kept: an LZ4 frame with a checksum of its content (github.com/lz4/lz4/blob/dev/doc/lz4_Frame_format.md) around
 * the size and the rows, of each what differs from the row above. Quicker to write and to read than any picture format, and never
 * seen under its name before it is whole. No format for others: outputs are made from it.
 */
public final class FrameFile {
    private static final int MAGIC = 0x46536672;
    public static final String ENDING = ".frame";

    private FrameFile() {
    }

    /** Name of a frame's file. @param frame counted from 0 */
    public static String name(long frame) {
        return String.format("%07d%s", frame, ENDING);
    }

    /** Writes a frame under its name once it is whole. @throws IOException if the disk is full, or does not take it */
    public static void write(Path file, Pixels pixels) throws IOException {
        WholeFile.write(file, out -> write(out, pixels));
    }

    /** Writes a frame. */
    public static void write(OutputStream out, Pixels pixels) throws IOException {
        try (DataOutputStream to = new DataOutputStream(new LZ4FrameOutputStream(out, LZ4FrameOutputStream.BLOCKSIZE.SIZE_256KB,
                LZ4FrameOutputStream.FLG.Bits.CONTENT_CHECKSUM, LZ4FrameOutputStream.FLG.Bits.BLOCK_INDEPENDENCE))) {
            to.writeInt(MAGIC);
            to.writeShort(pixels.width());
            to.writeShort(pixels.height());
            to.writeBoolean(pixels.alpha());
            to.writeBoolean(pixels.deep());
            RowDifferences.write(pixels.bytes(), pixels.rowBytes(), to);
        }
    }

    /** @throws IOException if there is no whole frame in it */
    public static Pixels read(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return read(in);
        } catch (EOFException e) {
            throw new IOException(file.getFileName() + " is no whole frame", e);
        }
    }

    /** What of a frame is told before its points. */
    private record Head(int width, int height, boolean alpha, boolean deep) {
        static Head read(DataInputStream from) throws IOException {
            if (from.readInt() != MAGIC) {
                throw new IOException("This is no frame");
            }
            Head head = new Head(from.readUnsignedShort(), from.readUnsignedShort(), from.readBoolean(), from.readBoolean());
            if (head.width < 1 || head.height < 1 || head.width > PictureSize.LARGEST || head.height > PictureSize.LARGEST) {
                throw new IOException("A frame cannot be " + head.width + " x " + head.height + " pixels");
            }
            return head;
        }

        long bytes() {
            return (long) width * height * (alpha ? 4 : 3) * (deep ? 2 : 1);
        }
    }

    /** Looks whether a file is a whole frame as a recipe has it, and holds none of it in memory. @throws IOException if it is not */
    public static void check(Path file, Recipe recipe) throws IOException {
        try (DataInputStream from = new DataInputStream(new LZ4FrameInputStream(Files.newInputStream(file)))) {
            Head head = Head.read(from);
            FrameLook look = recipe.look();
            if (!head.equals(new Head(look.width(), look.height(), recipe.alpha(), recipe.bits() > 8))) {
                throw new IOException("This frame is of another render");
            }
            from.skipNBytes(head.bytes());
            if (from.read() >= 0) {
                throw new IOException("There is more than a frame");
            }
        } catch (EOFException e) {
            throw new IOException(file.getFileName() + " is no whole frame", e);
        }
    }

    /** @throws IOException if there is no whole frame in it, or more than a frame */
    public static Pixels read(InputStream in) throws IOException {
        DataInputStream from = new DataInputStream(new LZ4FrameInputStream(in));
        Head head = Head.read(from);
        Pixels pixels = new Pixels(head.width(), head.height(), head.alpha(), head.deep());
        from.readFully(pixels.bytes());
        RowDifferences.undo(pixels.bytes(), pixels.rowBytes());
        if (from.read() >= 0) {
            throw new IOException("There is more than a frame");
        }
        return pixels;
    }
}
