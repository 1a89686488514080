package freshsplice.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs all and prints one table: what was measured, the figure, the ratio that matters, the machine. */
public final class Bench {
    private Bench() {
    }

    private static final int MOST_EVENTS = 20_000;
    private static final int MANY_PEOPLE = 50;

    /**
     * @param args {@code --formats} for the formats alone; a Python with OpenTimelineIO after it to compare with.
     *             {@code --intake ADDRESS} for an intake on a running server, {@code --bakes} for movement in a large set, {@code --edits ADDRESS} for edits of a
     *             long master there, over a cut of so many clips as stand after it; {@code --people ADDRESS} for so many as stand
     *             after it in a master at once
     */
    public static void main(String[] args) throws Exception {
        if (args.length > 0 && args[0].equals("--formats")) {
            machine();
            FormatRun.run(args.length > 1 ? args[1] : null);
            return;
        }
        if (args.length > 1 && args[0].equals("--intake")) {
            machine();
            IntakeRun.run(args[1]);
            return;
        }
        if (args.length > 0 && args[0].equals("--bakes")) {
            machine();
            BakeRun.run();
            ClearanceRun.run();
            FilmedRun.run();
            return;
        }
        if (args.length > 1 && args[0].equals("--edits")) {
            machine();
            EditRun.run(args[1], args.length > 2 ? Integer.parseInt(args[2]) : MOST_EVENTS);
            return;
        }
        if (args.length > 1 && args[0].equals("--people")) {
            machine();
            PeopleRun.run(args[1], args.length > 2 ? Integer.parseInt(args[2]) : MANY_PEOPLE);
            return;
        }
        if (args.length > 0 && args[0].equals("--renders")) {
            machine();
            renders(RenderRun.run());
            return;
        }
        Collection<RunResult> results = new Runner(new OptionsBuilder().include(CoreBenchmarks.class.getSimpleName())
                .verbosity(VerboseMode.SILENT).build()).run();
        Map<String, Double> ms = new HashMap<>();
        results.forEach(r -> ms.put(r.getParams().getBenchmark().replaceAll(".*\\.", ""),
                r.getPrimaryResult().getScore()));
        RenderRun.Outcome render = RenderRun.run();
        machine();
        row("reading an EDL of 10 000 events", ms.get("readEdlOf10000Events"), "ms", "");
        row("reading an EDL of 100 000 events", ms.get("readEdlOf100000Events"), "ms", ratio(
                ms.get("readEdlOf100000Events") / ms.get("readEdlOf10000Events"), "times as long for 10 times as many"));
        row("changes, 10 000 clips against 10 000", ms.get("changes10000Against10000"), "ms", ratio(
                ms.get("changes10000Against10000") / ms.get("readEdlOf10000Events"), "times reading one of them"));
        row("rolling a seam among 100 000 clips", ms.get("rollASeamOf100000Clips"), "ms", "");
        row("a trim that pushes 50 000 clips along", ms.get("trimAndPushAlong100000Clips"), "ms", "");
        row("a camera of 8 keyed channels, 1 000 frames", ms.get("evaluate1000FramesOfACamera"), "ms", "");
        renders(render);
        FormatRun.run(null);
    }

    private static void renders(RenderRun.Outcome render) {
        row("drawing 1280x720, the demo's set, edges plain", render.plain(), "frames/s", "");
        row("the same, edges smoothed afterwards", render.quick(), "frames/s", ratio(render.quick() / render.plain(), "of plain"));
        row("the same, four samples a pixel", render.fine(), "frames/s", ratio(render.fine() / render.plain(), "of plain"));
        row("the same, what is out of focus blurred", render.blurred(), "frames/s", ratio(render.blurred() / render.quick(), "of sharp"));
        row("keeping the frames beside drawing", render.keeping(), "frames/s", "");
        row("from kept frames to a movie", render.encoder(), "frames/s", "");
        row("a movie, all of it", render.together(), "frames/s", ratio(render.together() * (1 / render.quick() + 1 / render.encoder()),
                "of what drawing and encoder allow"));
    }

    private static void machine() {
        System.out.println("Machine: " + processor() + ", " + Runtime.getRuntime().availableProcessors()
                + " cores, Java " + System.getProperty("java.version"));
    }

    private static void row(String what, double figure, String unit, String remark) {
        System.out.printf(Locale.ROOT, "%-44s %10.2f %-9s %s%n", what, figure, unit, remark);
    }

    private static String ratio(double value, String of) {
        return String.format(Locale.ROOT, "%.2f %s", value, of);
    }

    private static String processor() {
        try {
            return Files.readAllLines(Path.of("/proc/cpuinfo")).stream().filter(l -> l.startsWith("model name"))
                    .findFirst().map(l -> l.substring(l.indexOf(':') + 2)).orElse("unknown processor");
        } catch (IOException e) {
            return "unknown processor";
        }
    }
}
