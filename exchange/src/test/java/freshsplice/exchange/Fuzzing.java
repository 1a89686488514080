package freshsplice.exchange;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.exchange.format.WriteOptions;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Reads damaged files. Each ends in a reading, whose live picture can be worked out, or in a clear error; anything else
 * is a fault of ours.
 */
public final class Fuzzing {
    /** No damaged file of these sizes may keep a reader busy for longer. */
    private static final Duration LONGEST = Duration.ofSeconds(20);
    private static final int SEEDS = 12;
    private static final Limits LIMITS = new Limits(8_000_000, 200_000, 32);

    /** @param faults what went wrong, with the number that makes it again */
    public record Outcome(int readings, int errors, List<String> faults) {
    }

    private Fuzzing() {
    }

    /** The formats, with good files of each to start from. */
    public static Map<String, List<byte[]>> goodFiles() {
        Map<String, List<byte[]>> files = new LinkedHashMap<>();
        for (String format : List.of("edl", "xmeml", "otio", "aaf")) {
            files.put(format, new ArrayList<>());
            for (int seed = 0; seed < SEEDS; seed++) {
                files.get(format).add(Formats.writer(format).write(RandomCut.of(seed), WriteOptions.DEFAULT).bytes());
            }
        }
        files.put("otioz", files.get("otio").stream().map(Fuzzing::bundle).toList());
        return files;
    }

    private static byte[] bundle(byte[] timeline) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("version.txt"));
            zip.write("1.0.0".getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("content.otio"));
            zip.write(timeline);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** Damages and reads {@code times} files of one format, beginning with one number. */
    public static Outcome run(String format, List<byte[]> good, int times, long firstNumber) {
        int readings = 0;
        int errors = 0;
        List<String> faults = new ArrayList<>();
        ExecutorService reader = Executors.newSingleThreadExecutor(Fuzzing::daemon);
        for (int i = 0; i < times; i++) {
            long number = firstNumber + i;
            byte[] bytes = new Mangler(number).mangle(good.get((int) (number % good.size())),
                    !format.equals("aaf") && !format.equals("otioz"));
            InputFile file = new InputFile("damaged." + (format.equals("xmeml") ? "xml" : format), bytes);
            Future<Boolean> read = reader.submit(() -> read(file));
            try {
                boolean whole = read.get(LONGEST.toMillis(), TimeUnit.MILLISECONDS);
                readings += whole ? 1 : 0;
                errors += whole ? 0 : 1;
            } catch (ExecutionException e) {
                faults.add(format + " " + number + ": " + e.getCause() + " at " + place(e.getCause()));
            } catch (TimeoutException e) {
                faults.add(format + " " + number + ": still reading after " + LONGEST.toSeconds() + " s");
                reader.shutdownNow();
                reader = Executors.newSingleThreadExecutor(Fuzzing::daemon);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
        }
        reader.shutdownNow();
        return new Outcome(readings, errors, faults);
    }

    private static Thread daemon(Runnable work) {
        Thread thread = new Thread(work, "fuzz");
        thread.setDaemon(true);
        return thread;
    }

    private static String place(Throwable fault) {
        StackTraceElement[] trace = fault.getStackTrace();
        for (StackTraceElement e : trace) {
            if (e.getClassName().startsWith("freshsplice")) {
                return e.toString();
            }
        }
        return trace.length == 0 ? "?" : trace[0].toString();
    }

    private static boolean read(InputFile file) {
        try {
            Reading reading = Formats.read(file, new ReadOptions(FrameRate.FPS_24, LIMITS));
            for (Cut cut : reading.cuts()) {
                LivePicture.of(cut);
            }
            return true;
        } catch (UnreadableFile e) {
            if (e.getMessage() == null || e.getMessage().isBlank()) {
                throw new IllegalStateException("an error without a word", e);
            }
            return false;
        }
    }
}
