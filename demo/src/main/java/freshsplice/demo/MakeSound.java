package freshsplice.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;

/**
 * Makes wind and sea as filtered noise, and a guide track of words spoken by a program. Writes through ffmpeg; the
 * spoken words come from espeak-ng, both from Debian.
 */
public final class MakeSound {
    private static final int RATE = 24_000;
    private static final double SECONDS = 70;

    /** When a line is spoken, in seconds, and its words. */
    private record Line(double at, String words) {
    }

    private static final List<Line> GUIDE = List.of(new Line(0.6, "Low water. The pole is still dry."),
            new Line(4.6, "She wheels out through the gate."), new Line(9.8, "One parcel."),
            new Line(14, "The causeway, and nobody on it."), new Line(23.5, "The gulls go up."),
            new Line(29.5, "The wheel, turning."), new Line(33.8, "She sees it."),
            new Line(37.5, "Half way."), new Line(45.6, "Ten past one."), new Line(48.2, "Water over the road."),
            new Line(52.6, "The light, quite near."), new Line(57, "Run. Run at the gate."),
            new Line(63.2, "Across."));

    private MakeSound() {
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        Path folder = Path.of(args[0]);
        encode(windAndSea(), folder.resolve("wind_and_sea.ogg"));
        encode(guide(), folder.resolve("guide.ogg"));
    }

    private static double[] windAndSea() {
        Random random = new Random(12);
        double[] sound = new double[(int) (RATE * SECONDS)];
        double wind = 0;
        double low = 0;
        double sea = 0;
        for (int i = 0; i < sound.length; i++) {
            double t = i / (double) RATE;
            double noise = random.nextDouble() * 2 - 1;
            double gust = 0.45 + 0.3 * Math.sin(t * 0.5) + 0.25 * Math.sin(t * 1.31 + 2);
            double pitch = 0.02 + 0.03 * gust;
            wind += pitch * (noise - wind);
            low += 0.004 * (wind - low);
            double swell = Math.pow(Math.max(0, Math.sin(t * 2 * Math.PI / 7.3)), 3);
            sea += (0.08 + 0.25 * swell) * (noise - sea);
            double rising = 0.3 + 0.7 * t / SECONDS;
            sound[i] = (wind - low) * 1.9 * gust + sea * 0.28 * swell * rising;
        }
        return sound;
    }

    private static double[] guide() throws IOException, InterruptedException {
        double[] sound = new double[(int) (RATE * SECONDS)];
        for (Line line : GUIDE) {
            double[] spoken = speak(line.words());
            int at = (int) (line.at() * RATE);
            for (int i = 0; i < spoken.length && at + i < sound.length; i++) {
                sound[at + i] += spoken[i] * 0.8;
            }
        }
        return sound;
    }

    private static double[] speak(String words) throws IOException, InterruptedException {
        Process voice = new ProcessBuilder("sh", "-c", "espeak-ng -v en-gb -s 140 -p 38 --stdout \"$0\" | ffmpeg -v "
                + "error -i - -f s16le -ac 1 -ar " + RATE + " -", words).start();
        byte[] bytes = voice.getInputStream().readAllBytes();
        voice.waitFor();
        double[] samples = new double[bytes.length / 2];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (short) (bytes[2 * i] & 0xFF | bytes[2 * i + 1] << 8) / 32768.0;
        }
        return samples;
    }

    private static void encode(double[] sound, Path file) throws IOException, InterruptedException {
        Process ffmpeg = new ProcessBuilder("ffmpeg", "-v", "error", "-y", "-f", "s16le", "-ar", String.valueOf(RATE),
                "-ac", "1", "-i", "-", "-c:a", "libopus", "-b:a", "40k", file.toString()).inheritIO()
                .redirectInput(ProcessBuilder.Redirect.PIPE).start();
        try (OutputStream out = ffmpeg.getOutputStream()) {
            byte[] bytes = new byte[sound.length * 2];
            for (int i = 0; i < sound.length; i++) {
                int value = (int) Math.max(-32767, Math.min(32767, sound[i] * 32767));
                bytes[2 * i] = (byte) value;
                bytes[2 * i + 1] = (byte) (value >> 8);
            }
            out.write(bytes);
        }
        ffmpeg.waitFor();
    }
}
