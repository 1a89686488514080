package freshsplice.bench;

import freshsplice.core.time.FrameRate;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.WriteOptions;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Reads 10 000 and 100 000 events of each format: in this process, and by the command line from a cold start in 512 MB.
 * With a Python that has OpenTimelineIO and its adapters, also by those on the same file.
 */
final class FormatRun {
    private static final int TIMES = 21;
    private static final List<String> FORMATS = List.of("edl", "xmeml", "otio", "aaf");
    private static final String LIBRARY = """
            import sys, time, opentimelineio as o
            t = time.time()
            extra = {"rate": 24} if sys.argv[1].endswith("edl") else {}
            o.adapters.read_from_file(sys.argv[1], **extra)
            print(time.time() - t)
            """;

    private FormatRun() {
    }

    /** @param python a Python with the library; null to leave that out */
    static void run(String python) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("formats");
        for (String format : FORMATS) {
            double before = 0;
            for (int events : new int[] {10_000, 100_000}) {
                Path file = folder.resolve("bench-" + events + "." + (format.equals("xmeml") ? "xml" : format));
                Files.write(file, Formats.writer(format).write(Inputs.cut(events, 0), WriteOptions.DEFAULT).bytes());
                double here = inProcess(file);
                double cold = commandLine(file);
                double library = python == null || events > 10_000 ? 0 : library(python, file);
                System.out.printf(Locale.ROOT, "%-6s %7d events %6.1f MB %8.0f ms %-14s command line %5.2f s in 512 MB%s%n",
                        format, events, Files.size(file) / 1e6, here,
                        before == 0 ? "" : String.format(Locale.ROOT, "(%.1f x)", here / before), cold, library == 0 ? ""
                                : String.format(Locale.ROOT, "  library %.2f s, %.0f times as long", library,
                                library * 1000 / here));
                before = here;
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    private static double inProcess(Path file) throws IOException {
        InputFile input = new InputFile(file.getFileName().toString(), Files.readAllBytes(file));
        double[] ms = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            long start = System.nanoTime();
            Formats.read(input, ReadOptions.at(FrameRate.FPS_24));
            ms[i] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(ms);
        return ms[TIMES / 2];
    }

    /** Seconds of a whole process, output included. */
    private static double commandLine(Path file) throws IOException, InterruptedException {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        long start = System.nanoTime();
        Process process = new ProcessBuilder(java, "-Xmx512m", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC",
                "-Xshare:auto", "-Xss4m", "-cp", "cli/target/cli-0.1.0.jar" + File.pathSeparator + "cli/target/lib/*",
                "freshsplice.cli.Main", "read", file.toString(), "--rate", "24")
                .redirectOutput(ProcessBuilder.Redirect.DISCARD).redirectError(ProcessBuilder.Redirect.INHERIT).start();
        int code = process.waitFor();
        return code == 0 ? (System.nanoTime() - start) / 1e9 : Double.NaN;
    }

    private static double library(String python, Path file) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(python, "-c", LIBRARY, file.toString()).start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        return process.waitFor() == 0 ? Double.parseDouble(out.lines().reduce((a, b) -> b).orElse("NaN")) : Double.NaN;
    }
}
