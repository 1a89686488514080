package freshsplice.server;

import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;

/** Cuts, pictures and sound that are not the demo's. */
public final class Material {
    /** A clip: clip name, source frame, length. */
    public record Clip(String name, long from, long length) {
    }

    private Material() {
    }

    public static List<Clip> clips(int count) {
        return IntStream.range(0, count).mapToObj(i -> new Clip("panel " + (i + 1), 90_000 + i * 500L, 20 + i * 7 % 23))
                .toList();
    }

    public static byte[] edl(String title, List<Clip> clips) {
        StringBuilder text = new StringBuilder("TITLE: " + title + "\nFCM: NON-DROP FRAME\n");
        long at = 86_400;
        for (int i = 0; i < clips.size(); i++) {
            Clip c = clips.get(i);
            text.append(String.format("%03d  NM01 V C %s %s %s %s%n* FROM CLIP NAME: %s%n", i + 1, label(c.from()),
                    label(c.from() + c.length()), label(at), label(at + c.length()), c.name()));
            at += c.length();
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String label(long frame) {
        return Timecode.of(frame, FrameRate.FPS_24, false).label();
    }

    /** @param method as Java names it, such as MD5; @return in hexadecimal digits */
    static String checksum(String method, byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance(method).digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    public static byte[] picture(String words, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(words.hashCode() & 0x7F7F7F | 0x404040));
        g.fillRect(0, 0, width, height);
        g.setColor(Color.WHITE);
        g.drawString(words, 20, height / 2);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** A tone as a WAV file (RIFF, 16 bit, one channel). */
    /** A movie at 24 frames/s without timecode. */
    public static byte[] movie(int frames) throws IOException {
        Path file = Files.createTempFile("movie", ".mp4");
        try {
            Process ffmpeg = new ProcessBuilder("ffmpeg", "-v", "error", "-y", "-f", "lavfi", "-i", "testsrc2=s=64x36:r=24",
                    "-frames:v", Integer.toString(frames), "-pix_fmt", "yuv420p", file.toString()).inheritIO().start();
            if (ffmpeg.onExit().join().exitValue() != 0) {
                throw new IOException("ffmpeg makes no movie");
            }
            return Files.readAllBytes(file);
        } finally {
            Files.delete(file);
        }
    }

    public static byte[] tone(double seconds) {
        int samples = (int) (seconds * 24_000);
        ByteBuffer wav = ByteBuffer.allocate(44 + samples * 2).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + samples * 2)
                .put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16).putShort((short) 1).putShort((short) 1)
                .putInt(24_000).putInt(48_000).putShort((short) 2).putShort((short) 16)
                .put("data".getBytes(StandardCharsets.US_ASCII)).putInt(samples * 2);
        for (int i = 0; i < samples; i++) {
            wav.putShort((short) (9000 * Math.sin(i * 0.1)));
        }
        return wav.array();
    }

    public static String names(List<Clip> clips) {
        return clips.stream().map(Clip::name).collect(Collectors.joining(","));
    }
}
